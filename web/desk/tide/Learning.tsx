/** The salon's tide while it is read from the logs, with how far that is; what rests on it comes when it is there. */
import type { ReactNode } from 'react';
import { Button } from 'react-bootstrap';
import type { TideFile } from '../../../contract/tide.ts';
import type { LearntBook } from '../../../core/tide/index.ts';
import { useTide } from '../../work/useTide.ts';

export function Learning({ file, children }: { file: TideFile; children: (learnt: LearntBook) => ReactNode }) {
  const tide = useTide(file);
  return (
    <>
      {tide.state === 'working' && (
        <div className={`wt-note wt-learning ${tide.learnt ? 'is-renewing' : ''}`} role="status">
          <p>{tide.learnt ? 'Reading what is new in the log.' : `Reading the logs of ${file.dogs.length} dogs.`}</p>
          <progress aria-label="Logs read" value={tide.progress} max={1} />
          <Button variant="outline-primary" onClick={tide.cancel}>
            Stop
          </Button>
        </div>
      )}
      {(tide.state === 'cancelled' || tide.state === 'failed') && (
        <div className="wt-note" role={tide.state === 'failed' ? 'alert' : 'status'}>
          <p>{tide.state === 'failed' ? 'The forecast could not be made.' : 'Stopped before all logs were read.'}</p>
          <Button variant="outline-primary" onClick={tide.again}>
            Read the logs
          </Button>
        </div>
      )}
      {tide.learnt && children(tide.learnt)}
    </>
  );
}
