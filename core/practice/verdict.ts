/**
 * What a bout was worth: its stair against the best one, where minutes, skin and hair went, and which mistakes cost
 * most. A mistake's cost is what the score would have been without it, where the bench can say so; the rest is set by rows.
 *
 * Worth runs from nothing done (0) to the best stair that the bench finds for the same coat, kit and house (1), by the score
 * that its own recommendation goes by.
 */
import { clamp, COMMON_PRACTICE, sum, type Source } from '../quantity/index.ts';
import { coatRow, zone, type ZoneId } from '../dog/index.ts';
import { zoneConditions, type ConditionKind, type ConditionReason } from '../check/index.ts';
import { rule, type ToolKind } from '../kit/index.ts';
import {
  applyEdit,
  coatAfter,
  faultsOf,
  METHODS,
  PHASES,
  roomOf,
  scriptOf,
  type Fault,
  type FaultCode,
  type MethodId,
  type MethodPlan,
  type PhaseId,
  type Script,
  type ZoneSeen,
} from '../bench/index.ts';
import { STAGES, stageOf, type Stage } from '../tally/index.ts';
import type { Bout, Opened } from './bout.ts';

/** What can go wrong beside the faults of a script. */
export type SlipCode =
  | 'worked-a-stopped-dog'
  | 'sent-home-for-nothing'
  | 'not-looked'
  | 'not-felt'
  | 'left-untouched'
  | 'left-unfinished'
  | 'too-long'
  | 'drove-it-away'
  | 'over-the-clock'
  | 'another-way'
  | 'read-wrong'
  | 'not-read';

export type MistakeCode = FaultCode | SlipCode;

export interface Mistake {
  readonly code: MistakeCode;
  /** What it cost, as a share of the best stair's worth. */
  readonly cost: number;
  readonly zones: readonly ZoneId[];
  /** Rule of the trade that was broken, where a row of the rules says it. */
  readonly rule?: string | undefined;
  /** Step of the stair at which it shows. */
  readonly step?: string | undefined;
  /** Minutes or times, where the code counts something. */
  readonly count?: number | undefined;
  /** What a zone truly is, and by which test, where it was read wrong. */
  readonly truth?: { readonly kind: ConditionKind; readonly by: ConditionReason | undefined } | undefined;
}

export interface SlipRow {
  readonly statement: string;
  /** Why the rule exists. */
  readonly why: string;
  readonly source: Source;
}

const slip = (statement: string, why: string): SlipRow => ({ statement, why, source: COMMON_PRACTICE });

/** What every mistake is against, and why; those of a rule row are told by the row. */
export const MISTAKES: Readonly<Record<MistakeCode, SlipRow>> = {
  forbidden: slip('A tool where it must not be.', 'Every tool has places and states of coat in which it hurts.'),
  'stopped-zone': slip(
    'A zone that is for a vet is left alone.',
    'Sore, open or unknown skin is made worse by every stroke.',
  ),
  'does-nothing': slip(
    'A tool in a state of the coat in which it does nothing.',
    'The dog stands for it, and no hair comes.',
  ),
  skin: slip(
    'Skin worked past what it bears.',
    'As the coat opens, skin loses its shield: pressure and passes must fall.',
  ),
  topcoat: slip('Guard hair worked past what it bears.', 'Frayed guard hair takes a year and more to grow out.'),
  'blade-minutes': slip('More blade minutes than the house allows.', 'Skin reddens before it shows.'),
  'tie-wetted': slip(
    'A tie wetted before it was settled.',
    'Tied hair draws tight as it dries, and what a comb could open has to be cut.',
  ),
  'half-tie': slip('A tie left half worked.', 'A loosened mat closes again around what was opened.'),
  'soap-left': slip('Soap left in the coat.', 'Residue itches, and a dog that scratches is back in a week.'),
  'home-wet': slip('Sent home damp at the skin.', 'A coat that stays damp below mats, smells and breeds hot spots.'),
  'no-proof': slip(
    'No comb through what was worked.',
    'A topline can look clean over packed hair; only the comb tells.',
  ),
  'worked-a-stopped-dog': slip(
    'A dog that should see a vet first was worked.',
    'Standing and turning make pain worse, and what is behind it is not for a groomer to find out.',
  ),
  'sent-home-for-nothing': slip('Sent home though it could be worked.', 'A coat that waits packs.'),
  'not-looked': slip(
    'Not looked over before the coat.',
    'Sore joints, lumps and bad ears decide whether there is a groom at all.',
  ),
  'not-felt': slip(
    'Worked before it was felt.',
    'Reading packed as matted, or missing a tie, is the costliest mistake there is.',
  ),
  'left-untouched': slip(
    'Zones that no hand came to.',
    'A clean topline with packed underparts is the classic failure.',
  ),
  'left-unfinished': slip(
    'Zones left before the comb falls through.',
    'What stays loose packs first, and the next visit begins there.',
  ),
  'too-long': slip('Minutes that brought little.', 'The dog pays for each of them; so does the next one in the book.'),
  'drove-it-away': slip(
    'The dog was driven to move away.',
    'One bad visit costs weeks of good ones: rest it before it asks.',
  ),
  'over-the-clock': slip('Past the hour of the next dog.', 'A late morning is made up on the last dog’s skin.'),
  'another-way': slip(
    'The order of work gave less than another would have.',
    'Wet, dry and air each let go of what the others hold.',
  ),
  'read-wrong': slip('A zone read as something else.', 'What it is taken for decides every step after.'),
  'not-read': slip(
    'A zone that nobody named.',
    'A known start, and nothing passed over: that is how a belly is not forgotten.',
  ),
};

/** What a fault costs by itself, before what its hair, skin or minutes come to; more where a dog is hurt. Guess. */
const BY_ITSELF: Readonly<Record<FaultCode, number>> = {
  forbidden: 0.08,
  'stopped-zone': 0.15,
  'does-nothing': 0.02,
  skin: 0.12,
  topcoat: 0.08,
  'blade-minutes': 0.06,
  'tie-wetted': 0.12,
  'half-tie': 0.05,
  'soap-left': 0.08,
  'home-wet': 0.1,
  'no-proof': 0.02,
};
/** What slips cost by themselves. Guess. */
const SLIP = {
  looked: 0.03,
  feltShare: 0.15,
  away: 0.06,
  mostAway: 0.2,
  clockShare: 0.4,
  mostClock: 0.2,
};
/** A zone left with so much more of its full load than the best stair leaves is told. Guess. */
const LEFT_MORE = 0.08;
/** Minutes over the best that are worth a word, as a share and at least. Guess. */
const LONG = { share: 1.15, least: 5 };
/** What no told mistake explains is told as another way when it is more than this. Guess. */
const UNEXPLAINED = 0.05;
/** A mistake that costs less is not worth a word. Guess. */
const WORTH_A_WORD = 0.004;
/** Tests without which work in a zone is blind. */
const NEEDED_TESTS = ['finger', 'tie', 'skin'] as const;

export interface Went {
  readonly stage: Stage;
  readonly minutes: number;
  readonly grams: number;
  /** What it loaded on skin, mean over the dog, 1 = all that is borne. */
  readonly skin: number;
}

export interface Verdict {
  /** Worth against the best stair, 0..1 and a little more where a hand beats it. */
  readonly share: number;
  readonly yours: MethodPlan;
  readonly best: MethodPlan | undefined;
  /** Worst first. */
  readonly mistakes: readonly Mistake[];
  readonly went: readonly { readonly stage: Stage; readonly yours: Went; readonly best: Went | undefined }[];
  readonly testMinutes: number;
  readonly restMinutes: number;
  readonly minutes: number;
  readonly clockMinutes: number;
}

/** The school that a script is most like: by the phases they share. */
export function likestMethod(
  steps: readonly { readonly phase: PhaseId; readonly kind: ToolKind }[],
  among: readonly MethodId[],
): MethodId {
  const own = new Set(steps.map((s) => s.phase));
  let best: MethodId = 'dry-first';
  let most = -1;
  for (const m of METHODS) {
    if (among.length > 0 && !among.includes(m.id)) continue;
    const theirs = new Set(m.phases.map((p) => p.id));
    // A school's phase is its own only with the tools that it takes to it.
    const shared = [...own].filter((phase) =>
      m.phases.some((p) => p.id === phase && steps.some((s) => s.phase === phase && p.tools.includes(s.kind))),
    ).length;
    const alike = shared / Math.max(1, own.size + theirs.size - shared);
    if (alike > most) [best, most] = [m.id, alike];
  }
  return best;
}

/** Minutes, hair and skin by stage of a plan. */
function wentOf(plan: MethodPlan, { site }: Opened): readonly Went[] {
  const script = scriptOf(plan.steps);
  const skin = { dry: 0, water: 0, air: 0, proof: 0 };
  const load = (seen: readonly ZoneSeen[]): number => sum(seen.map((z) => z.skin * zone(z.zone).surfaceShare));
  let before = load(coatAfter(script, 0, site.found, site.job));
  for (const [i, s] of script.entries()) {
    const after = load(coatAfter(script, i + 1, site.found, site.job));
    skin[stageOf(s.phase)] += after - before;
    before = after;
  }
  return STAGES.map((stage): Went => {
    const own = plan.steps.filter((s) => stageOf(s.phase) === stage);
    return {
      stage,
      minutes: sum(own.map((s) => s.minutes)),
      grams: sum(own.map((s) => s.gramsOut)),
      skin: skin[stage],
    };
  });
}

/** What each fault of a script cost: by what it is, and by what the stair would have been worth more without it. */
function faultMistakes(
  { site }: Opened,
  script: Script,
  own: number,
  worth: (s: Script) => number,
): readonly (Pick<Mistake, 'rule' | 'step' | 'zones' | 'cost'> & { readonly code: FaultCode })[] {
  const said = new Set<string>();
  return faultsOf(script, site.found, site.job).map((fault) => {
    const { code, rule: id, step, zones } = fault;
    const key = `${code} ${id ?? ''}`;
    const again = said.has(key);
    said.add(key);
    // The same slip twice is one lesson; its second time costs only what it does to the coat.
    return { code, cost: (again ? 0 : severityOf(fault)) + mendGain(fault, script, own, worth), zones, rule: id, step };
  });
}

/** Zones in which more hair stayed than under the best stair, by their share of all that was loose. */
function leftBehind({ steps }: MethodPlan, { site }: Opened, bout: Bout) {
  const { zones, startG } = site.found;
  const best = coatAfter(scriptOf(steps), steps.length, site.found, site.job);
  return bout.seen.flatMap((z, i) => {
    const more = z.leftG - (best[i]?.leftG ?? 0);
    const full = zones[i]?.fullG ?? 0;
    const isBehind = z.condition !== 'stop' && more > LEFT_MORE * full;
    return isBehind ? [{ zone: z.zone, share: more / Math.max(1e-9, startG) }] : [];
  });
}

/** The open school that a script is likest to. */
function likestIn({ plan, site }: Opened): (script: Script) => MethodId {
  const open = plan.methods.flatMap((m) => (m.kind === 'open' ? [m.method] : []));
  const kinds = new Map(roomOf(site.job.kit).map((t) => [t.id, t.kind]));
  return (script) =>
    likestMethod(
      script.flatMap(({ phase, toolId }) => {
        const kind = kinds.get(toolId);
        return kind ? [{ phase, kind }] : [];
      }),
      open,
    );
}

/** Minutes, hair and skin by stage, beside those of the best stair. */
function wentBoth(yours: MethodPlan, opened: Opened): Verdict['went'] {
  const went = wentOf(yours, opened);
  const best = opened.best && wentOf(opened.best, opened);
  return STAGES.map((stage, i) => ({
    stage,
    yours: went[i] ?? { stage, minutes: 0, grams: 0, skin: 0 },
    best: best?.[i],
  }));
}

/** What an ended bout was worth, and why. */
export function verdictOf(opened: Opened, bout: Bout): Verdict {
  const { best, plan, bar } = opened;
  const likest = likestIn(opened);
  const yours = bar.of(likest(bout.script), bout.script);
  const base = {
    yours,
    best,
    went: wentBoth(yours, opened),
    testMinutes: bout.testMinutes,
    restMinutes: bout.restMinutes,
    minutes: bout.minutes,
    clockMinutes: opened.clockMinutes,
  };
  if (opened.case.goal === 'read') return { ...base, ...readWell(opened, bout) };
  const slips: Mistake[] = [];
  const say = (code: MistakeCode, cost: number, zones: readonly ZoneId[] = [], more: Partial<Mistake> = {}): void => {
    if (cost > WORTH_A_WORD) slips.push({ code, cost: Math.min(1, cost), zones, ...more });
  };
  if (!bout.looked) say('not-looked', SLIP.looked);
  if (!best || plan.stops.dog.length > 0) {
    say('worked-a-stopped-dog', bout.script.length > 0 ? 1 : bout.ended === 'refer' ? 0 : 0.5);
    const share = clamp(1 - sum(slips.map((s) => s.cost)), 0, 1);
    return { ...base, share, mistakes: worstFirst(slips) };
  }
  const nothing = bar.of('dry-first', []).score;
  const span = Math.max(1e-6, best.score - nothing);
  const worth = (script: Script): number => (bar.of(likest(script), script).score - nothing) / span;
  const own = worth(bout.script);
  if (bout.ended === 'refer') {
    say('sent-home-for-nothing', 1);
    return { ...base, share: 0, mistakes: worstFirst(slips) };
  }

  for (const m of faultMistakes(opened, bout.script, own, worth))
    say(m.code, m.cost, m.zones, { rule: m.rule, step: m.step });

  const stepped = new Set(bout.script.flatMap((s) => s.zones.filter((z) => z.minutes > 0).map((z) => z.zone)));
  const handed = new Set(
    bout.script
      .filter((s) => ['hands', 'ties'].includes(PHASES[s.phase].work))
      .flatMap((s) => s.zones.filter((z) => z.minutes > 0).map((z) => z.zone)),
  );
  const blind = [...stepped].filter((id) => NEEDED_TESTS.some((t) => !bout.feltFirst.get(id)?.has(t)));
  say('not-felt', SLIP.feltShare * sum(blind.map((id) => zone(id).surfaceShare)), blind);

  const behind = leftBehind(best, opened, bout);
  // What all of it costs, shared out by what stayed where.
  const leftMore = sum(behind.map((z) => z.share));
  const hairCost = bar.hairCost(yours.shareLeft, best.shareLeft) / span;
  for (const [code, zones] of [
    ['left-untouched', behind.filter((z) => !handed.has(z.zone))],
    ['left-unfinished', behind.filter((z) => handed.has(z.zone))],
  ] as const) {
    const cost = leftMore > 0 ? (hairCost * sum(zones.map((z) => z.share))) / leftMore : 0;
    say(
      code,
      cost,
      zones.map((z) => z.zone),
    );
  }
  const over = yours.minutes - best.minutes;
  if (over > LONG.least && yours.minutes > best.minutes * LONG.share) {
    say('too-long', bar.minutesCost(yours.minutes, best.minutes) / span, [], { count: over });
  }
  const away = Math.min(SLIP.mostAway, bout.wentAway * SLIP.away);
  say('drove-it-away', away, [], { count: bout.wentAway });
  const late = bout.minutes - opened.clockMinutes;
  const lateCost = clamp((SLIP.clockShare * late) / opened.clockMinutes, 0, SLIP.mostClock);
  say('over-the-clock', lateCost, [], { count: late });

  const taken = own - deductionOf(slips);
  const share = clamp(taken, 0, 1.2);
  const explained = sum(slips.map((s) => s.cost));
  if (1 - share - explained > UNEXPLAINED && yours.method !== best.method) say('another-way', 1 - share - explained);
  return { ...base, share, mistakes: worstFirst(slips) };
}

/** What is taken off the worth of the stair itself for what no score of hair, minutes and skin sees. */
function deductionOf(slips: readonly Mistake[]): number {
  const seen = new Set<string>();
  let off = 0;
  for (const s of slips) {
    if (isFault(s.code)) {
      const key = `${s.code} ${s.rule ?? ''}`;
      if (!seen.has(key)) off += severityOf({ code: s.code, rule: s.rule });
      seen.add(key);
    } else if (['not-looked', 'not-felt', 'drove-it-away', 'over-the-clock'].includes(s.code)) off += s.cost;
  }
  return off;
}

const isFault = (code: MistakeCode): code is FaultCode => Object.keys(BY_ITSELF).includes(code);

/** A rule that stops the work weighs more than one that only says how. */
const severityOf = ({ code, rule: id }: Pick<Fault, 'code' | 'rule'>): number =>
  BY_ITSELF[code] * (id !== undefined && rule(id).severity === 'stop' ? 1.5 : 1);

/** What the stair would have been worth more with the fault mended. */
function mendGain(fault: Fault, script: Script, own: number, worth: (s: Script) => number): number {
  return fault.mend ? Math.max(0, worth(applyEdit(script, fault.mend)) - own) : 0;
}

const worstFirst = (of: readonly Mistake[]): readonly Mistake[] => [...of].sort((a, b) => b.cost - a.cost);

/** How well a coat was read: by the surface that was named right. */
function readWell({ request }: Opened, bout: Bout): Pick<Verdict, 'share' | 'mistakes'> {
  const { check, dog } = request;
  const conditions = zoneConditions(check, coatRow(dog.coatClass));
  const mistakes: Mistake[] = [];
  let right = 0;
  const missed: ZoneId[] = [];
  for (const c of conditions) {
    const { surfaceShare } = zone(c.zone);
    const as = bout.calls.get(c.zone);
    if (as === c.kind) right += surfaceShare;
    else if (as === undefined) missed.push(c.zone);
    else {
      mistakes.push({
        code: 'read-wrong',
        cost: surfaceShare,
        zones: [c.zone],
        truth: { kind: c.kind, by: c.reasons[0] },
      });
    }
  }
  if (missed.length > 0) {
    mistakes.push({ code: 'not-read', cost: sum(missed.map((id) => zone(id).surfaceShare)), zones: missed });
  }
  if (!bout.looked) mistakes.push({ code: 'not-looked', cost: SLIP.looked, zones: [] });
  return { share: clamp(right - (bout.looked ? 0 : SLIP.looked), 0, 1), mistakes: worstFirst(mistakes) };
}
