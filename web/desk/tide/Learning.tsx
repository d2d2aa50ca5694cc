/** The salon's tide as it was learnt last; what rests on it comes when it is there. */
import type { ReactNode } from 'react';
import type { TideFile } from '../../../contract/tide.ts';
import type { LearntBook } from '../../../core/tide/index.ts';
import { Notice } from '../../ui/Notice.tsx';
import { useTide } from '../../work/useTide.ts';
import appCss from '../../app/app.module.css';

export function Learning({ file, children }: { file: TideFile; children: (learnt: LearntBook) => ReactNode }) {
  const { learnt, state } = useTide(file);
  return (
    <>
      {state === 'working' && (
        <Notice data-learning="" className={`${appCss.learning} ${learnt ? 'is-renewing' : ''}`} role="status">
          {learnt ? 'Reading what is new in the log.' : `Reading the logs of ${file.dogs.length} dogs.`}
        </Notice>
      )}
      {state === 'failed' && !learnt && (
        <Notice role="alert">The forecast could not be made. It is tried again when this page is opened again.</Notice>
      )}
      {learnt && children(learnt)}
    </>
  );
}
