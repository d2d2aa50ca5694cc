/** Findings that do not go together, asked about next to the coat; a question changes nothing. */
import type { Contradiction } from '../../../core/check/index.ts';
import type { ZoneId } from '../../../core/dog/index.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { questionText } from '../../words/reasons.ts';

interface Props {
  readonly questions: readonly Contradiction[];
  readonly onGo: (zone: ZoneId) => void;
}

export function Questions({ questions, onGo }: Props) {
  if (questions.length === 0) return null;
  return (
    <Notice role="status">
      <ul className="wt-bare">
        {questions.map((q) => (
          <li key={`${q.code} ${'zone' in q ? q.zone : ''}`}>
            {questionText(q)}{' '}
            {'zone' in q && (
              <Button look="plain" className="p-0 align-baseline" onClick={() => onGo(q.zone)}>
                Feel it again
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Notice>
  );
}
