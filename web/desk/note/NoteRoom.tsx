/** The note for owner and vet: what was seen and where, what was not done, who should look. One sheet, to print. */
import { Printer } from 'lucide-react';
import { Link, useParams } from 'react-router';
import type { CheckRecord } from '../../../contract/check.ts';
import { coatCheck } from '../../../contract/check-facts.ts';
import type { DogPage } from '../../../contract/dog.ts';
import { INSPECTION, referralOf, SKIN_SCALE, type ReferralItem, type Urgency } from '../../../core/check/index.ts';
import { zoneName } from '../../../core/dog/index.ts';
import { Loaded } from '../../app/state.tsx';
import { useCheck, useDog, usePhotos, useSalon, photoUrl } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { dateText } from '../../words/dates.ts';
import { capital, listText } from '../../words/figures.ts';
import { massText } from '../../words/units.ts';
import css from './note.module.css';

const URGENCY_WORDS: Readonly<Record<Urgency, string>> = {
  now: 'Today',
  days: 'Within days',
  mention: 'At the next visit to the vet',
};

const aboutText = ({ about }: ReferralItem): string => {
  if (about === 'wide-pelt-frail') return 'Felted coat';
  const item = INSPECTION.find((i) => i.item === about);
  return capital(item?.name ?? SKIN_SCALE.find((g) => g.value === about)?.word ?? about);
};

function Note({ page, check, salonName }: { page: DogPage; check: CheckRecord; salonName: string }) {
  const { dog } = page;
  const referral = referralOf(coatCheck(check), page.traits);
  const photos = usePhotos(check.id);
  const where = (item: ReferralItem): string =>
    item.zones.length === 0 ? '' : ` ${capital(listText(item.zones.map(zoneName)))}.`;
  return (
    <>
      <div className="wt-title wt-noprint">
        <div>
          <span className="wt-crumb">
            <Link to={`/desk/dogs/${dog.id}`}>{dog.name}</Link>
          </span>
          <h1>Note for owner and vet</h1>
        </div>
        <Button onClick={() => window.print()} disabled={referral.items.length === 0}>
          <Printer aria-hidden size={17} /> Print
        </Button>
      </div>
      {referral.items.length === 0 ? (
        <Notice tone="good">Nothing in this check calls for a note.</Notice>
      ) : (
        <Sheet as="article" className={css.letter}>
          <h2>
            {dog.name}
            {dog.breed && `, ${dog.breed}`}
          </h2>
          <p>
            {salonName}, {dateText(check.day)}. {massText(check.weightKg)}, {dog.sex}. Owner: {dog.owner.name}.
          </p>
          <p>
            {referral.whole
              ? 'We looked this dog over before any brushing and did not groom it today.'
              : 'We looked this dog over before any brushing. What is listed here we left alone or worked around.'}{' '}
            We write down what we saw and felt; we do not diagnose.
          </p>
          <h3>For the owner</h3>
          <ul>
            {referral.items.map((i) => (
              <li key={`${i.about} ${i.zones.join()}`}>
                <strong>
                  {aboutText(i)}, {URGENCY_WORDS[i.urgency].toLowerCase()}.
                </strong>
                {where(i)} {i.owner}
              </li>
            ))}
          </ul>
          <h3>For the vet</h3>
          <ul>
            {referral.items.map((i) => (
              <li key={`${i.about} ${i.zones.join()}`}>
                {i.vet}
                {where(i)} {i.salon}
              </li>
            ))}
            {check.note && <li>{check.note}</li>}
          </ul>
          {photos.data && photos.data.photos.length > 0 && (
            <div className="wt-photos">
              {photos.data.photos.map((p) => (
                <img key={p.id} src={photoUrl(p.id)} alt={p.zone ? capital(zoneName(p.zone)) : 'Whole dog'} />
              ))}
            </div>
          )}
          <p className="wt-soft">What the vet says goes before anything on this sheet. Bring it back to us, please.</p>
        </Sheet>
      )}
    </>
  );
}

export function NoteRoom() {
  const { dogId = '', checkId = '' } = useParams();
  const dog = useDog(dogId);
  const check = useCheck(checkId);
  const salon = useSalon();
  return (
    <Loaded query={dog}>
      {(page) => (
        <Loaded query={check}>{(c) => <Note page={page} check={c} salonName={salon.data?.salon.name ?? ''} />}</Loaded>
      )}
    </Loaded>
  );
}
