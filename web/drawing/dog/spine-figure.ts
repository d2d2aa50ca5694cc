/** The dog from above, and from below with its limbs laid out: head to the left, both sides mirror images. */
import { type DogLook, MIDLINE } from './frame.ts';
import { EARS, TAILS } from './ears-tails.ts';
import {
  at,
  HAIR,
  lockShare,
  loop,
  middleOf,
  randomOf,
  stroke,
  zoneIdOf,
  type Figure,
  type FigurePart,
  type FigureZone,
} from './figure.ts';
import { coatLine, locks, tufts, type Coat } from './fur.ts';
import type { Point } from './landmarks.ts';
import {
  ABOVE,
  BELOW,
  CUTS_ABOVE,
  CUTS_BELOW,
  EAR_ABOVE,
  LIMBS,
  lower,
  TAIL_OUT,
  TAIL_ROLLED,
  upper,
  wholeOf,
  type Half,
  type SpineCut,
} from './spine.ts';
import { PROPORTIONS, spineWarp, type Warp } from './warp.ts';

const polygon = (points: readonly Point[]): string =>
  `M${points.map((p) => p.map((v) => v.toFixed(1)).join(',')).join('L')}Z`;

/** Hair lies towards the tail and a little outward. */
const lieAt = ([, y]: Point): Point => [0.93, y < MIDLINE ? -0.36 : 0.36];

function coatOf(hair: number, below: boolean): Coat {
  const deep = below ? 0.7 : 1;
  return {
    depthAt: ([x]) => {
      if (x < 300) return 0; // head
      if (x < 450) return 24 * hair * deep; // ruff
      if (x > 760) return 26 * hair * deep; // breeches
      return 14 * hair * deep;
    },
    lieAt,
  };
}

/** Zones of the cuts in both halves, the upper one named for its side. */
function zonesOf(cuts: readonly SpineCut[], warp: Warp, upperSide: 'left' | 'right'): readonly FigureZone[] {
  const lowerSide = upperSide === 'left' ? 'right' : 'left';
  return cuts.flatMap((c): FigureZone[] => {
    if (c.sided === 'mid') {
      const whole = [...c.corners.map(upper), ...[...c.corners].reverse().map(lower)];
      return [{ id: zoneIdOf(c.region, 'left'), path: polygon(whole.map(warp)), centre: warp(upper(c.centre)) }];
    }
    return (
      [
        [upperSide, upper],
        [lowerSide, lower],
      ] as const
    ).map(([side, half]) => ({
      id: zoneIdOf(c.region, side),
      path: polygon(c.corners.map(half).map(warp)),
      centre: warp(half(c.centre)),
    }));
  });
}

function hairIn(cuts: readonly SpineCut[], body: readonly Point[], warp: Warp, { coatClass }: DogLook): string {
  const random = randomOf();
  return cuts
    .flatMap((c) =>
      (
        [
          [upper, -14],
          [lower, 14],
        ] as const
      ).map(([half, lieDeg]) =>
        locks(
          { corners: c.corners.map(half), lieDeg, hair: c.hair * lockShare(coatClass) },
          body,
          warp,
          coatClass === 'fleece',
          random,
        ),
      ),
    )
    .join('');
}

function part(
  outline: readonly Point[],
  coat: Coat,
  warp: Warp,
  zones: readonly FigureZone[],
  bare: readonly string[] | 'all',
): FigurePart {
  const body = loop(outline.map(warp));
  return {
    body: [body],
    ...tufts(outline, coat, warp, randomOf()),
    outline: bare === 'all' ? [body] : bare,
    coat: loop(coatLine(outline, coat, warp)),
    coatRule: 'nonzero',
    zones,
  };
}

/** Lines of the body that hair does not hide: all of a short coat, the head of a long one. */
const bareOf = (half: readonly Half[], warp: Warp, hair: number): readonly string[] | 'all' =>
  hair < 0.4 ? 'all' : strokes(warp, [half.filter(([x]) => x < 310)]);

const strokes = (warp: Warp, halves: readonly (readonly Half[])[]): readonly string[] =>
  halves.flatMap((points) => [upper, lower].map((half) => stroke(...points.map(half).map(warp))));

function tailOf(looks: DogLook, warp: Warp, rolled: boolean): FigurePart {
  const hair = HAIR[looks.coatClass] * TAILS[looks.shape].plume;
  const thin = looks.shape === 'hound' && !rolled ? 0.55 : 1;
  const outline = wholeOf((rolled ? TAIL_ROLLED : TAIL_OUT).map(([x, off]): Half => [x, off * thin]));
  const coat: Coat = { depthAt: ([x]) => (x < 820 && !rolled ? 4 : 18) * hair, lieAt };
  const line = coatLine(outline, coat, warp);
  const made = part(outline, coat, warp, [], hair < 0.4 ? 'all' : []);
  return {
    ...made,
    flat: true,
    zones: [{ id: 'tail', path: loop(line), centre: warp([rolled ? 820 : 890, MIDLINE]) }],
  };
}

/** The dog from above. */
export function aboveFigure(looks: DogLook): Figure {
  const { shape, coatClass } = looks;
  const warp = spineWarp(shape);
  const hair = HAIR[coatClass];
  const body = wholeOf(ABOVE);
  const rolled = TAILS[shape].overBack;
  const ears = EARS[shape].hangs ? EAR_ABOVE.hanging : EAR_ABOVE.upright;
  const trunk = part(body, coatOf(hair, false), warp, zonesOf(CUTS_ABOVE, warp, 'right'), bareOf(ABOVE, warp, hair));
  const earParts = (
    [
      ['ears.right', upper],
      ['ears.left', lower],
    ] as const
  ).map(([id, half]): FigurePart => {
    const path = loop(ears.map(half).map(warp));
    return {
      body: [path],
      leaves: '',
      edges: '',
      outline: [path],
      coat: path,
      coatRule: 'nonzero',
      zones: [{ id, path, centre: middleOf(ears.map(half).map(warp)) }],
    };
  });
  const tail = tailOf(looks, warp, rolled);
  const eye: Point = [250, MIDLINE - 36];
  const eyeBelow: Point = [250, MIDLINE + 36];
  const nose: Point = [174, MIDLINE];
  const head = PROPORTIONS[shape].head;
  return {
    far: [],
    parts: rolled ? [trunk, ...earParts, tail] : [tail, trunk, ...earParts],
    locks: hairIn(CUTS_ABOVE, body, warp, looks),
    anatomy: [
      stroke(
        ...(
          [
            [486, 352],
            [560, 352],
            [640, 352],
            [720, 352],
          ] satisfies Point[]
        ).map(warp),
      ), // spine
      ...strokes(warp, [
        [
          [452, 96],
          [470, 66],
          [478, 42],
        ], // shoulder blade
        [
          [716, 90],
          [706, 62],
          [716, 44],
        ], // hip bone
        [
          [204, 13],
          [232, 18],
          [250, 34],
        ], // bridge
      ]),
    ],
    shadows: EARS[shape].hangs
      ? []
      : [upper, lower].map((half) =>
          loop(
            (
              [
                [280, 58],
                [288, 78],
                [302, 90],
                [316, 76],
                [318, 56],
              ] satisfies Half[]
            )
              .map(half)
              .map(warp),
          ),
        ),
    lines: [],
    features: [
      {
        d: `M166,${MIDLINE} q2,-11 12,-11 q8,3 8,11 q0,8 -8,11 q-10,0 -12,-11z`,
        mark: 'nose',
        transform: at(nose, warp(nose), head),
      },
      ...[eye, eyeBelow].map((e, i) => ({
        d: `M${e[0] - 8},${e[1]} q7,${i === 0 ? -9 : 9} 16,0 q-8,${i === 0 ? 4 : -4} -16,0z`,
        mark: 'eye' as const,
        transform: at(e, warp(e), head),
      })),
    ],
    ground: undefined,
    shade: 'outward',
  };
}

/** The dog from below, lying on its back. */
export function belowFigure(looks: DogLook): Figure {
  const { shape, coatClass } = looks;
  const warp = spineWarp(shape);
  const hair = HAIR[coatClass];
  const body = wholeOf(BELOW);
  const { legs, bone } = PROPORTIONS[shape];
  // Short legs are short from here too, but a paw stays a paw.
  const reach = 0.4 + 0.6 * Math.min(1.06, legs);
  const limbs = LIMBS.flatMap((limb) =>
    (
      [
        ['left', upper],
        ['right', lower],
      ] as const
    ).map(([side, half]) => {
      const root = limb.outline.reduce((t, [x]) => t + x, 0) / limb.outline.length;
      const drawn = ([x, off]: Half): Point => {
        const [px, py] = warp(half([x, 60 + (off - 60) * reach]));
        const axis = warp(half([root, 60]))[0];
        return [px + (px - axis) * (bone - 1) * 0.25, py];
      };
      const outline = (side === 'left' ? limb.outline : [...limb.outline].reverse()).map(drawn);
      const coat: Coat = {
        depthAt: ([, y]) => (Math.abs(y - MIDLINE) > 200 ? 0 : 8 * hair),
        lieAt: ([, y]) => [0.3, y < MIDLINE ? -0.95 : 0.95],
      };
      const path = loop(outline);
      const still: Warp = (p) => p;
      const made = { ...part(outline, coat, still, [], 'all'), flat: true };
      const zones: readonly FigureZone[] = [
        { id: zoneIdOf(limb.leg.region, side), path, centre: drawn(limb.leg.centre) },
        { id: zoneIdOf(limb.paw.region, side), path: polygon(limb.foot.map(drawn)), centre: drawn(limb.paw.centre) },
      ];
      const [cx, cy] = drawn(limb.paw.centre);
      const away = side === 'left' ? -1 : 1;
      const pads = [
        [cx, cy - 6 * away, 15, 12],
        [cx - 21, cy + 9 * away, 7, 9],
        [cx - 8, cy + 20 * away, 7, 9],
        [cx + 8, cy + 20 * away, 7, 9],
        [cx + 21, cy + 9 * away, 7, 9],
      ].map(
        ([x = 0, y = 0, rx = 0, ry = 0]) =>
          `M${x - rx},${y} a${rx},${ry} 0 1,0 ${2 * rx},0 a${rx},${ry} 0 1,0 ${-2 * rx},0`,
      );
      return { part: { ...made, zones }, pads };
    }),
  );
  const ears = EARS[shape].hangs ? EAR_ABOVE.hanging : EAR_ABOVE.upright;
  const trunk = part(body, coatOf(hair, true), warp, zonesOf(CUTS_BELOW, warp, 'left'), bareOf(BELOW, warp, hair));
  const nose: Point = [174, MIDLINE];
  const head = PROPORTIONS[shape].head;
  return {
    far: [upper, lower].map((half) => loop(ears.map(half).map(warp))),
    parts: [tailOf(looks, warp, false), ...limbs.map((l) => l.part), trunk],
    locks: hairIn(CUTS_BELOW, body, warp, looks),
    anatomy: [
      ...strokes(warp, [
        [
          [404, 52],
          [440, 66],
          [486, 66],
        ], // fold of the armpit
        [
          [668, 64],
          [700, 46],
          [724, 26],
        ], // fold of the groin
      ]),
      stroke(
        ...(
          [
            [392, 352],
            [450, 352],
            [520, 352],
          ] satisfies Point[]
        ).map(warp),
      ), // breastbone
      ...strokes(warp, [
        [
          [188, 13],
          [214, 17],
          [250, 30],
        ],
      ]), // jaw
    ],
    shadows: limbs.flatMap((l) => l.pads),
    lines: [
      ...[556, 610, 662].flatMap((x) =>
        [upper([x, 22]), lower([x, 22])].map((p) => {
          const [px, py] = warp(p);
          return `M${px - 2},${py} a2,2 0 1,0 4,0 a2,2 0 1,0 -4,0`;
        }),
      ),
    ],
    features: [
      {
        d: `M166,${MIDLINE} q2,-9 10,-9 q6,3 6,9 q0,6 -6,9 q-8,0 -10,-9z`,
        mark: 'nose',
        transform: at(nose, warp(nose), head),
      },
    ],
    ground: undefined,
    shade: 'outward',
  };
}
