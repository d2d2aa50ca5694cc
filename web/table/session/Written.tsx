/** What is written down beside a step: grams from the scale, and what was done in place of the plan. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { PlanStep, StepRecord } from '../../../core/bench/index.ts';
import { TOOLS, type ToolKind } from '../../../core/kit/index.ts';
import { capital, minutesText } from '../../words/figures.ts';

const MOST_GRAMS = 5000;
const MOST_MINUTES = 600;

export function Weigh({ grams, onWrite }: { grams: number | undefined; onWrite: (g: number) => void }) {
  const [text, setText] = useState(grams === undefined ? '' : String(grams));
  const value = Number(text);
  const good = text !== '' && value >= 0 && value <= MOST_GRAMS;
  return (
    <form
      className="wt-weigh mt-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (good) onWrite(value);
      }}
    >
      <label>
        Hair weighed, g
        <Form.Control
          type="number"
          inputMode="decimal"
          min={0}
          max={MOST_GRAMS}
          step={0.1}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <Button type="submit" variant="outline-primary" disabled={!good || value === grams}>
        {grams === undefined ? 'Write down' : value === grams ? 'Written down' : 'Correct it'}
      </Button>
    </form>
  );
}

const isKind = (text: string): text is ToolKind => TOOLS.some((t) => t.kind === text);

interface DidProps {
  readonly planned: PlanStep;
  readonly did: StepRecord['did'];
  readonly onWrite: (tool: ToolKind, minutes: number) => void;
}

export function DidOtherwise({ planned, did, onWrite }: DidProps) {
  const [tool, setTool] = useState<ToolKind>(did?.tool ?? planned.tool.kind);
  const [minutes, setMinutes] = useState(String(did?.minutes ?? planned.minutes));
  const value = Number(minutes);
  const good = minutes !== '' && value >= 0 && value <= MOST_MINUTES;
  return (
    <details className="mt-2">
      <summary>
        {did ? `Done with ${did.tool.replaceAll('-', ' ')}, ${minutesText(did.minutes)}` : 'Done another way?'}
      </summary>
      <form
        className="wt-weigh flex-wrap"
        onSubmit={(e) => {
          e.preventDefault();
          if (good) onWrite(tool, value);
        }}
      >
        <label>
          Tool used
          <Form.Select value={tool} onChange={(e) => isKind(e.target.value) && setTool(e.target.value)}>
            {TOOLS.map((t) => (
              <option key={t.kind} value={t.kind}>
                {capital(t.name)}
              </option>
            ))}
          </Form.Select>
        </label>
        <label>
          Minutes
          <Form.Control
            type="number"
            inputMode="numeric"
            min={0}
            max={MOST_MINUTES}
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
          />
        </label>
        <Button type="submit" variant="outline-primary" disabled={!good}>
          Write down
        </Button>
      </form>
    </details>
  );
}
