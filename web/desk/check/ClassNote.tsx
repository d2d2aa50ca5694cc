/** The coat class that the hands found, where it is another than the dog is kept under; taken with one act, never by itself. */
import type { DogRecord } from '../../../contract/dog.ts';
import { classHint, type ClassReason, type CoatCheck } from '../../../core/check/index.ts';
import { coatRow } from '../../../core/dog/index.ts';
import { unreachable } from '../../../core/quantity/index.ts';
import { Refusal } from '../../app/state.tsx';
import { useEditDog } from '../../data/hooks.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { listText } from '../../words/figures.ts';
import { lengthsText, lengthText } from '../../words/units.ts';

function reasonText(r: ClassReason): string {
  switch (r.code) {
    case 'breed':
      return `${r.breed}s usually are`;
    case 'length':
      return `${lengthText(r.mm)} at the back is not ${lengthsText(r.low, r.high)}`;
    case 'undercoat':
      return `${r.zones} of ${r.felt} zones felt stand deep`;
    case 'no-undercoat':
      return `skin at a touch in nearly all ${r.felt} zones felt`;
    default:
      return unreachable(r);
  }
}

export function ClassNote({ dog, check }: { dog: DogRecord; check: CoatCheck }) {
  const edit = useEditDog(dog.id);
  const hint = classHint(dog, check);
  if (!hint) return null;
  const { id, ...rest } = dog;
  return (
    <Notice role="status">
      <p className="mb-1">
        This feels like a {coatRow(hint.coatClass).name} coat, {dog.name} is kept as {coatRow(dog.coatClass).name}:{' '}
        {listText(hint.reasons.map(reasonText))}.{' '}
        <Button
          look="plain"
          className="p-0 align-baseline"
          disabled={edit.isPending}
          onClick={() => edit.mutate({ ...rest, coatClass: hint.coatClass })}
        >
          Keep as {coatRow(hint.coatClass).name}
        </Button>
      </p>
      <Refusal error={edit.error} />
    </Notice>
  );
}
