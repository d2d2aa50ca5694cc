/** Care around the coat, chosen for a dog at its check or its booking and remembered for the next: with minutes and price of this house. */
import { CARE, careMinutes, carePrice, careRow, GLANDS, type CareItem } from '../../../core/dog/index.ts';
import type { HouseRules } from '../../../core/kit/index.ts';
import { Loaded, Refusal } from '../../app/state.tsx';
import { useChooseCare, useDog, useSalon } from '../../data/hooks.ts';
import { Disclosure } from '../../ui/Disclosure.tsx';
import { Check } from '../../ui/Field.tsx';
import { capital, listText, minutesText, money } from '../../words/figures.ts';

/** What an item is, takes and costs. */
export function careLabel(item: CareItem, house: HouseRules): string {
  const cents = carePrice(item, house);
  const price = cents === undefined ? '' : `, ${money(cents, house.rates.currency)}`;
  return `${capital(careRow(item).name)}, ${minutesText(careMinutes(item, house))}${price}`;
}

export function CareChoice({ dogId }: { dogId: string }) {
  const page = useDog(dogId);
  const salon = useSalon();
  const choose = useChooseCare(dogId);
  return (
    <Loaded query={page}>
      {({ dog, traits }) => {
        // A tick is seen at once; what the salon holds follows.
        const saved = choose.data && choose.data.version > dog.version ? choose.data.care : dog.care;
        const care = choose.isPending ? choose.variables.care : saved;
        return (
          <Disclosure
            head={
              <>
                Besides the coat:{' '}
                {care.length === 0 ? 'nothing chosen' : listText(care.map((item) => careRow(item).name))}
              </>
            }
            className="wt-care"
          >
            <fieldset aria-label="Besides the coat">
              {salon.data &&
                CARE.filter((row) => !row.notOn.some((t) => traits.includes(t))).map(({ item, does, rhythm }) => (
                  <Check
                    key={item}
                    id={`care-${item}`}
                    label={
                      <>
                        {careLabel(item, salon.data.salon.house)}
                        <span className="wt-soft"> {rhythm === undefined ? does : `${capital(rhythm)}. ${does}`}</span>
                      </>
                    }
                    checked={care.includes(item)}
                    onChange={(e) =>
                      choose.mutate({ care: e.target.checked ? [...care, item] : care.filter((c) => c !== item) })
                    }
                  />
                ))}
              <p className="wt-soft">{GLANDS} What is ticked is remembered for the next visit.</p>
              <Refusal error={choose.error} />
            </fieldset>
          </Disclosure>
        );
      }}
    </Loaded>
  );
}
