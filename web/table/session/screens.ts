/** The screens of a running session: which one stands is decided by the record, by where this device's hands are, and by what is asked. */
import type { ZoneId } from '../../../core/dog/index.ts';
import { nextStep, zonesToFeel, type Proposal, type StepRecord } from '../../../core/table/index.ts';
import type { Table } from './useTable.ts';

/** What is asked in place of the work, until it is answered. */
export type Asked =
  | { readonly kind: 'proposal'; readonly proposal: Proposal; readonly then: 'next' | 'stay' }
  | { readonly kind: 'meet' }
  | { readonly kind: 'weigh'; readonly step: string; readonly then: 'next' | 'stay' }
  | { readonly kind: 'hand' }
  | { readonly kind: 'more' };

export type Screen =
  | Asked
  | { readonly kind: 'break' }
  | { readonly kind: 'work'; readonly step: StepRecord; readonly zone: ZoneId | undefined }
  | { readonly kind: 'between'; readonly coming: StepRecord }
  /** All that is still to do is in other hands. */
  | { readonly kind: 'waits' }
  | { readonly kind: 'feel'; readonly zone: ZoneId; readonly left: number }
  | { readonly kind: 'end' };

/** Where this device's hands are: the step, and the zone of it. */
export function handOf({ record, device }: Table) {
  const hand = record.hands.find((h) => h.device === device);
  const step = hand && record.steps.find((s) => s.id === hand.step);
  return step && { step, zone: hand.zone };
}

/** Pink skin is asked about until the hands are off it, also after the page was opened again. */
function askAboutPink(table: Table): Asked | undefined {
  const { record } = table;
  const hand = handOf(table);
  if (record.state !== 'running' || hand?.zone === undefined) return undefined;
  const { zone } = hand;
  const tool = hand.step.plan.tool.kind;
  if (!record.pink.some((p) => p.zone === zone && p.tool === tool)) return undefined;
  const proposal = table.ask({ code: 'pink', zone, tool });
  return proposal && { kind: 'proposal', proposal, then: 'next' };
}

/** The screen that stands. Enough: nobody wants to feel any further zone at the end. */
export function screenOf(table: Table, given: Asked | undefined, enough: boolean): Screen {
  const { page, record, device, name } = table;
  const asked = given ?? askAboutPink(table);
  if (asked) return asked;
  if (record.state === 'paused') return { kind: 'break' };
  const hand = handOf(table);
  if (hand) return { kind: 'work', ...hand };
  const coming = nextStep(record, device, name);
  if (coming) return { kind: 'between', coming };
  if (record.steps.some((s) => s.state === 'waiting' || s.state === 'working')) return { kind: 'waits' };
  const zones = zonesToFeel(record, page.snapshot.conditions).filter((z) => record.felt[z] === undefined);
  const [zone] = zones;
  return zone && !enough ? { kind: 'feel', zone, left: zones.length } : { kind: 'end' };
}
