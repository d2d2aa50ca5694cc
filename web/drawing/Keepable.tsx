/** A drawing that can be taken along as a file. */
import { Download } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { Button } from '../ui/Button.tsx';
import { saveDrawing } from './save.ts';
import css from './charts.module.css';

export function Keepable({ name, children }: { name: string; children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  const [problem, setProblem] = useState('');
  const save = (kind: 'svg' | 'png'): void => {
    if (!place.current) return;
    setProblem('');
    saveDrawing(place.current, name, kind).catch((e: unknown) =>
      setProblem(e instanceof Error ? e.message : String(e)),
    );
  };
  return (
    <div className="wt-keepable">
      <div ref={place}>{children}</div>
      <p className={css.keepAs}>
        <Download aria-hidden size={15} /> <span className="wt-soft">Save {name} as</span>{' '}
        <Button look="plain" onClick={() => save('svg')}>
          SVG<span className="visually-hidden"> of {name}</span>
        </Button>
        <Button look="plain" onClick={() => save('png')}>
          PNG<span className="visually-hidden"> of {name}</span>
        </Button>
        {problem !== '' && <span role="alert"> {problem}</span>}
      </p>
    </div>
  );
}
