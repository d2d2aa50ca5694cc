/** The comb proof: it must fall through with no pressure, zone by zone. */
import { Button } from 'react-bootstrap';
import { COMB_SCALE, type CombGrade } from '../../../core/check/index.ts';
import { zoneName, type ZoneId } from '../../../core/dog/index.ts';
import { Pick } from '../../app/Pick.tsx';
import { capital } from '../../words/figures.ts';

interface Props {
  readonly zones: readonly ZoneId[];
  readonly comb: Partial<Readonly<Record<ZoneId, CombGrade>>>;
  readonly onProof: (zone: ZoneId, result: CombGrade) => void;
}

export function Proof({ zones, comb, onProof }: Props) {
  const open = zones.filter((z) => comb[z] === undefined);
  const next = open[0];
  return (
    <section className="wt-sheet mt-3" aria-labelledby="proof">
      <h2 id="proof">Comb proof</h2>
      {next ? (
        <div className="mb-3">
          <p className="fs-4 mb-2">
            {capital(zoneName(next))} <span className="wt-soft">{open.length} to go</span>
          </p>
          <div className="wt-acts" role="group" aria-label={`Comb at ${zoneName(next)}`}>
            {COMB_SCALE.map((g) => (
              <Button key={g.value} variant="outline-primary" onClick={() => onProof(next, g.value)}>
                {capital(g.word)}
              </Button>
            ))}
          </div>
        </div>
      ) : (
        <p className="wt-note wt-note-good">Every zone has its proof.</p>
      )}
      <details>
        <summary>All zones of this step</summary>
        <div className="wt-proof">
          {zones.map((z) => (
            <Pick
              key={z}
              name={capital(zoneName(z))}
              options={COMB_SCALE}
              value={comb[z]}
              onPick={(result) => onProof(z, result)}
            />
          ))}
        </div>
      </details>
    </section>
  );
}
