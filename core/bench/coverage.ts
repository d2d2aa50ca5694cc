/**
 * How well a kit serves all dogs on the books: which zones it serves badly, and which one, two or three
 * pieces to buy would save most minutes, or spare most skin.
 */
import { sum } from '../quantity/index.ts';
import type { CoatClass, Dog, Region } from '../dog/index.ts';
import type { CoatCheck } from '../check/index.ts';
import { bestCovers, forbiddenBy, toolRow, WETNESS, type HouseRules, type Tool } from '../kit/index.ts';
import { coatOf, ruleContext, ruleKeyOfDog, ruleKeyOfZone, type CoatZone } from './coat.ts';
import { allowedWays, better, enoughLeft, waysWith, workToProof, type ProofWork, type Way } from './proof.ts';

export interface CoverageDog {
  readonly dog: Dog;
  readonly check: CoatCheck;
}
export interface CoverageRequest {
  readonly dogs: readonly CoverageDog[];
  readonly kit: readonly Tool[];
  /** Pieces that could be bought. */
  readonly shop: readonly Tool[];
  readonly house: HouseRules;
}

/** Zones of one region over dogs of one coat class that the kit serves badly. */
export interface BadlyServed {
  readonly region: Region;
  readonly coatClass: CoatClass;
  readonly zones: number;
  /** Minutes a round of visits costs there beyond what the best piece of the shop would need. */
  readonly minutesOver: number;
  /** Nothing in the kit may touch it at all; or, what is there never brings the comb through. */
  readonly why: 'nothing-allowed' | 'never-proved' | 'slow';
  /** The rule that keeps most pieces out, where nothing is allowed. */
  readonly rule?: string | undefined;
}

export interface Purchase {
  readonly tools: readonly Tool[];
  /** Minutes saved in one round of visits to every dog. */
  readonly minutesSaved: number;
  /** Skin spared: mean share of what the skin bears, over all zones worked. */
  readonly skinSpared: number;
}

export interface Coverage {
  readonly dogs: number;
  readonly zones: number;
  /** Minutes of hand work that a round of visits to every dog needs with this kit. */
  readonly minutes: number;
  readonly badly: readonly BadlyServed[];
  /** Best purchases of one, two and three pieces, by minutes and by skin. */
  readonly forMinutes: readonly Purchase[];
  readonly forSkin: readonly Purchase[];
}

/** A zone that nothing proves costs this many times the best piece's minutes: it comes back sooner. Guess. */
const UNPROVED_FACTOR = 2.5;
/** Slower than the best piece by this factor counts as badly served. Guess. */
const SLOW_FACTOR = 1.4;
export const MOST_PURCHASES = 3;

interface Demand {
  readonly zone: CoatZone;
  readonly coatClass: CoatClass;
  readonly count: number;
  /** What the kit does here at its quickest, and at its kindest to the skin. */
  readonly own: ProofWork | undefined;
  readonly ownKindest: ProofWork | undefined;
  readonly best: ProofWork;
  /** By piece of the shop. */
  readonly shop: readonly (ProofWork | undefined)[];
  readonly rule: string | undefined;
}

/**
 * Minutes that count for a piece of work, against the best piece anywhere: never more than a zone that nothing serves
 * counts, so that one more piece on the wall can only help.
 */
const cost = (work: ProofWork | undefined, best: ProofWork): number =>
  Math.min(work?.proved ? work.minutes : Infinity, best.minutes * UNPROVED_FACTOR);
/** Skin that counts: work that is not done costs none today, but the pull of the next visit. */
const skinCost = (work: ProofWork | undefined, best: ProofWork): number =>
  Math.min(work?.proved ? work.skin : Infinity, best.skin * UNPROVED_FACTOR);

const least = (works: readonly (ProofWork | undefined)[], by: typeof cost, best: ProofWork): ProofWork | undefined =>
  works.reduce((a, b) => (b && (!a || by(b, best) < by(a, best)) ? b : a), undefined);

/** Hair of one band is the same to every figure, near enough: about a millimetre in short coats, six in long ones. */
const lengthBand = (mm: number): number => (mm < 60 ? Math.round(mm) : Math.round(mm / 6) * 6);

/** All zones worth working, alike ones counted together: the same answers serve them all. */
function demandsOf({ dogs, kit, shop, house }: CoverageRequest): readonly Demand[] {
  const alike = new Map<string, { zone: CoatZone; dog: Dog; ruleKey: string; count: number }>();
  for (const { dog, check } of dogs) {
    const ofDog = ruleKeyOfDog({ dog, house });
    for (const z of coatOf({ dog, check }).zones) {
      if (z.condition === 'stop' || z.startG < 0.05) continue;
      // Area only scales minutes: bands of a twelfth part of a factor e make dogs of nearly one size the same.
      const size = Math.round(Math.log(z.areaM2) * 12);
      const ruleKey = `${ofDog} ${ruleKeyOfZone(z)}`;
      const { finger, tug, comb } = z.readings;
      const key = `${ruleKey} ${finger} ${tug} ${comb} ${lengthBand(z.guardMm)} ${size}`;
      const there = alike.get(key);
      if (there) there.count++;
      else alike.set(key, { zone: z, dog, ruleKey, count: 1 });
    }
  }
  const pieces = [...kit, ...shop];
  const ways = waysWith(pieces, house);
  const allowed = new Map<string, readonly Way[]>();
  return [...alike.values()].flatMap(({ zone, dog, ruleKey, count }): Demand[] => {
    const job = { dog, house };
    const here = allowed.get(ruleKey) ?? allowedWays(zone, ways, job);
    allowed.set(ruleKey, here);
    const works = workToProof(zone, here, enoughLeft(zone, here), pieces.length);
    const best = works.reduce((a, b) => (b && (!a || better(b, a)) ? b : a), undefined);
    if (!best) return [];
    const own = works.slice(0, kit.length);
    return [
      {
        zone,
        coatClass: dog.coatClass,
        count,
        own: least(own, cost, best),
        ownKindest: least(own, skinCost, best),
        best,
        shop: works.slice(kit.length),
        rule: own.some((w) => w) ? undefined : commonRule(kit, zone, job),
      },
    ];
  });
}

/** The rule that forbids most of the kit's hand pieces here. */
function commonRule(kit: readonly Tool[], zone: CoatZone, job: { dog: Dog; house: HouseRules }): string | undefined {
  const counts = new Map<string, number>();
  for (const tool of kit) {
    if (toolRow(tool.kind).cm2PerMinute === 0) continue;
    for (const wetness of WETNESS) {
      const id = toolRow(tool.kind).take[wetness] && forbiddenBy(tool, ruleContext(zone, wetness, job))?.id;
      if (id) counts.set(id, (counts.get(id) ?? 0) + 1);
    }
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

function badlyServed(demands: readonly Demand[]): readonly BadlyServed[] {
  const groups = new Map<string, { -readonly [K in keyof BadlyServed]: BadlyServed[K] }>();
  for (const d of demands) {
    const over = cost(d.own, d.best) - d.best.minutes;
    if (d.own?.proved && cost(d.own, d.best) < d.best.minutes * SLOW_FACTOR) continue;
    if (!d.best.proved && d.own) continue; // nobody sells anything better
    const why = !d.own ? 'nothing-allowed' : d.own.proved ? 'slow' : 'never-proved';
    const { region } = d.zone.region;
    const key = `${region} ${d.coatClass} ${why}`;
    const group = groups.get(key) ?? { region, coatClass: d.coatClass, zones: 0, minutesOver: 0, why, rule: d.rule };
    group.zones += d.count;
    group.minutesOver += over * d.count;
    groups.set(key, group);
  }
  return [...groups.values()].sort((a, b) => b.minutesOver - a.minutesOver);
}

/** How the kit serves the dogs, and what to buy. Pure; alike zones are computed once. */
export function coverage(request: CoverageRequest): Coverage {
  const demands = demandsOf(request);
  const zones = sum(demands.map((d) => d.count));
  /** What each piece of the shop is worth at each demand. Plain loops: a book of dogs makes some hundred thousand of these. */
  const gainsBy = (by: typeof cost, own: 'own' | 'ownKindest'): readonly Float64Array[] => {
    const gains = request.shop.map(() => new Float64Array(demands.length));
    demands.forEach((d, i) => {
      const now = by(d[own], d.best);
      for (let c = 0; c < gains.length; c++) {
        const work = d.shop[c];
        const row = gains[c];
        if (work && row) row[i] = Math.max(0, now - by(work, d.best)) * d.count;
      }
    });
    return gains;
  };
  const [minuteGains, skinGains] = [gainsBy(cost, 'own'), gainsBy(skinCost, 'ownKindest')];
  const total = (gains: readonly Float64Array[], chosen: readonly number[]): number => {
    let all = 0;
    for (let i = 0; i < demands.length; i++) {
      let most = 0;
      for (const c of chosen) most = Math.max(most, gains[c]?.[i] ?? 0);
      all += most;
    }
    return all;
  };
  const purchases = (gains: readonly Float64Array[]): readonly Purchase[] =>
    bestCovers(gains, MOST_PURCHASES).map(({ chosen }) => ({
      tools: chosen.flatMap((c) => request.shop[c] ?? []),
      minutesSaved: total(minuteGains, chosen),
      skinSpared: zones === 0 ? 0 : total(skinGains, chosen) / zones,
    }));
  return {
    dogs: request.dogs.length,
    zones,
    minutes: sum(demands.map((d) => cost(d.own, d.best) * d.count)),
    badly: badlyServed(demands),
    forMinutes: purchases(minuteGains),
    forSkin: purchases(skinGains),
  };
}
