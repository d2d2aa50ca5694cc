/** One zone under the hands: the five touch tests and what else is to be done with it. */
import type { ZoneFindings } from '../../../core/check/index.ts';
import { regionRow, zone as zoneOf, type ZoneId } from '../../../core/dog/index.ts';
import { ChoiceGroup } from '../../ui/ChoiceGroup.tsx';
import { Button } from '../../ui/Button.tsx';
import { TESTS } from './hand.ts';

interface Props {
  readonly zone: ZoneId;
  readonly findings: ZoneFindings | undefined;
  readonly onChange: (change: ZoneFindings) => void;
  readonly onMirror: (() => void) | undefined;
  readonly onSpread: () => void;
  readonly onStep: (by: 1 | -1) => void;
}

export function ZonePanel({ zone, findings, onChange, onMirror, onSpread, onStep }: Props) {
  const felt = findings !== undefined;
  return (
    <>
      <p className="wt-soft mb-1">{regionRow(zoneOf(zone).region).trap}</p>
      {TESTS.map((test) => {
        const own = findings?.[test.key];
        return (
          <ChoiceGroup
            key={test.key}
            name={test.name}
            options={test.grades.map((g, i) => ({ value: i, word: g.word, says: g.says }))}
            value={own === undefined ? undefined : test.grades.findIndex((g) => g.value === own)}
            onPick={(i) => onChange(test.grades[i]?.sets ?? {})}
          />
        );
      })}
      <div className="wt-acts mb-2">
        <Button size="sm" look="usual" disabled={!felt || !onMirror} onClick={onMirror}>
          Other side the same
        </Button>
        <Button size="sm" look="usual" disabled={!felt} onClick={onSpread}>
          Spread to zones not felt
        </Button>
        <Button size="sm" look="usual" onClick={() => onStep(-1)}>
          Zone before
        </Button>
        <Button size="sm" look="usual" onClick={() => onStep(1)}>
          Next zone
        </Button>
      </div>
    </>
  );
}
