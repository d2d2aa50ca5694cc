/** The salon's tide as it was learnt last; what rests on it comes when it is there. */
import type { ReactNode } from 'react';
import type { TideFile } from '../../../contract/tide.ts';
import type { LearntBook } from '../../../core/tide/index.ts';
import { useTide } from '../../work/useTide.ts';

export function Learning({ file, children }: { file: TideFile; children: (learnt: LearntBook) => ReactNode }) {
  const { learnt, state } = useTide(file);
  return (
    <>
      {state === 'working' && (
        <p className={`wt-note wt-learning ${learnt ? 'is-renewing' : ''}`} role="status">
          {learnt ? 'Reading what is new in the log.' : `Reading the logs of ${file.dogs.length} dogs.`}
        </p>
      )}
      {state === 'failed' && !learnt && (
        <p className="wt-note" role="alert">
          The forecast could not be made. It is tried again when this page is opened again.
        </p>
      )}
      {learnt && children(learnt)}
    </>
  );
}
