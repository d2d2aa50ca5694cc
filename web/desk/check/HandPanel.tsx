/** What is in the hand: choose a grade, then draw it over every zone that feels so. */
import { memo } from 'react';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Check } from '../../ui/Field.tsx';
import { heldText, TESTS, type Held } from './hand.ts';

interface Props {
  readonly held: Held | undefined;
  readonly onHold: (held: Held) => void;
  readonly both: boolean;
  readonly onBoth: (both: boolean) => void;
  /** Day of the check before, as it is said; absent when there is none. */
  readonly lastTime: string | undefined;
}

type Test = (typeof TESTS)[number];
interface RowProps {
  readonly test: Test;
  /** Place of the grade in hand on its scale. */
  readonly at: number | undefined;
  readonly onHold: (held: Held) => void;
}
const TestRow = memo(function TestRow({ test, at, onHold }: RowProps) {
  return (
    <ChoiceGroup
      name={test.name}
      options={test.grades.map((g, i) => ({ value: i, word: g.word, says: g.says }))}
      value={at}
      onPick={(i) => {
        const grade = test.grades[i];
        if (grade) onHold({ kind: 'grade', test: test.key, word: grade.word, sets: grade.sets });
      }}
    />
  );
});

/** Stands as it is while the same is drawn over the coat. */
export const HandPanel = memo(function HandPanel({ held, onHold, both, onBoth, lastTime }: Props) {
  return (
    <>
      <p className="wt-soft mb-1" role="status">
        {held
          ? `In hand: ${heldText(held)}. Draw it over the zones that feel so.`
          : 'Choose a grade, then draw it over zones.'}
      </p>
      {TESTS.map((test) => (
        <TestRow
          key={test.key}
          test={test}
          at={
            held?.kind === 'grade' && held.test === test.key
              ? test.grades.findIndex((g) => g.word === held.word)
              : undefined
          }
          onHold={onHold}
        />
      ))}
      {lastTime !== undefined && (
        <ChoiceGroup
          name={`From ${lastTime}`}
          options={[{ value: 'last', word: 'as last time', says: 'Coat only; ties and skin are felt anew.' }]}
          value={held?.kind === 'last' ? 'last' : undefined}
          onPick={() => onHold({ kind: 'last' })}
        />
      )}
      <Check
        id="both-sides"
        type="switch"
        label="Both sides at once"
        checked={both}
        onChange={(e) => onBoth(e.target.checked)}
      />
    </>
  );
});
