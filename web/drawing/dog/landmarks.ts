/**
 * Where the drawn dog's landmarks lie, and how its zones are cut along lines between them.
 *
 * One figure, a medium double coat standing square, seen from its left (head to the left). The right side is its
 * mirror image. The ground is at y = 640.
 */
import type { Region } from '../../../core/dog/index.ts';

export type Point = readonly [number, number];
/** Landmarks of the coat's outer line, from the nose over the back to the chin. */
export const BODY: readonly Point[] = [
  [150, 222], // nose
  [164, 211],
  [206, 202], // bridge
  [238, 190],
  [252, 170], // stop
  [272, 150], // forehead
  [304, 138], // poll
  [336, 146], // occiput
  [366, 172],
  [404, 205], // crest of the neck
  [446, 228],
  [486, 243], // withers
  [540, 250],
  [600, 251], // back
  [660, 247], // loin
  [716, 248],
  [756, 262], // croup
  [790, 288], // tail root
  [810, 330],
  [820, 376], // point of the buttock
  [818, 424], // breeches
  [804, 458],
  [796, 486],
  [812, 516], // point of the hock
  [808, 540],
  [792, 576],
  [786, 608],
  [790, 632], // heel of the hind foot
  [774, 641],
  [742, 641],
  [722, 634], // toes
  [724, 616],
  [742, 604],
  [756, 578],
  [758, 548],
  [744, 520],
  [722, 492],
  [698, 466], // stifle
  [684, 440],
  [660, 424], // tuck
  [620, 432],
  [560, 450], // belly
  [500, 466],
  [452, 470], // brisket
  [424, 474],
  [416, 500], // elbow
  [408, 540],
  [400, 568], // carpus
  [398, 596],
  [402, 622],
  [398, 638],
  [364, 642],
  [334, 640],
  [324, 628], // toes of the forefoot
  [332, 612],
  [350, 600],
  [354, 576],
  [350, 550],
  [344, 512],
  [334, 474],
  [316, 446],
  [298, 420], // point of the shoulder
  [286, 388],
  [282, 352], // bib
  [284, 322],
  [278, 298], // throat
  [262, 284],
  [236, 276], // angle of the jaw
  [204, 272],
  [176, 264], // chin
  [162, 254],
  [158, 246], // lip
  [148, 240],
];

export const FAR_FORELEG: readonly Point[] = [
  [330, 440],
  [322, 486],
  [314, 540],
  [312, 580],
  [304, 602],
  [286, 614],
  [280, 630],
  [296, 640],
  [342, 640],
  [354, 630],
  [350, 600],
  [354, 566],
  [366, 510],
  [380, 450],
];

export const FAR_HINDLEG: readonly Point[] = [
  [668, 420],
  [668, 452],
  [684, 484],
  [704, 512],
  [714, 540],
  [708, 576],
  [694, 602],
  [676, 614],
  [670, 630],
  [686, 640],
  [732, 640],
  [746, 630],
  [744, 604],
  [748, 574],
  [758, 536],
  [750, 500],
  [758, 450],
];

export const TAIL: readonly Point[] = [
  [752, 262],
  [792, 266],
  [832, 284],
  [868, 318],
  [896, 364],
  [914, 418],
  [920, 472],
  [912, 520],
  [894, 556],
  [870, 574],
  [852, 560],
  [842, 524],
  [826, 478],
  [810, 430],
  [800, 380],
  [786, 336],
  [764, 300],
];

/** Corners shared by zones; a zone may reach past the coat, which trims it. */
export const P = {
  noseOut: [110, 170],
  stopOut: [240, 130],
  earFront: [280, 150],
  earTopFront: [270, 30],
  earTopBack: [360, 30],
  earBack: [350, 142],
  behindEar: [352, 208],
  cheek: [296, 206],
  jaw: [280, 288],
  jawOut: [250, 330],
  chinOut: [110, 320],
  crestOut: [420, 170],
  withersOut: [470, 200],
  withers: [478, 262],
  shoulderTop: [440, 300],
  shoulderMid: [400, 352],
  shoulderPoint: [342, 372],
  bibTop: [320, 316],
  bibOut: [230, 340],
  chestOut: [230, 420],
  chestTop: [300, 388],
  elbowFront: [352, 440],
  legFrontTop: [318, 468],
  legFrontOut: [290, 500],
  elbow: [424, 440],
  elbowBack: [446, 500],
  footFront: [290, 580],
  footBack: [440, 580],
  footFrontLow: [290, 680],
  footBackLow: [440, 680],
  ribFront: [492, 392],
  backFront: [506, 308],
  backRear: [636, 306],
  backOut: [640, 200],
  hipTop: [646, 240],
  ribRear: [628, 398],
  bellyFrontOut: [508, 520],
  bellyRearOut: [650, 490],
  tuck: [668, 404],
  flank: [640, 372],
  hipLow: [716, 384],
  croupOut: [730, 200],
  croup: [738, 330],
  rumpOut: [830, 240],
  rumpRear: [812, 330],
  thighBack: [760, 372],
  breechLow: [766, 452],
  breechOut: [880, 340],
  breechLowOut: [880, 470],
  stifleOut: [660, 470],
  hockFrontOut: [690, 560],
  hockOut: [850, 500],
  hindFootFront: [680, 582],
  hindFootBack: [850, 582],
  hindFootFrontLow: [680, 680],
  hindFootBackLow: [850, 680],
} as const satisfies Record<string, Point>;
type Corner = keyof typeof P;

export interface Cut {
  readonly region: Region;
  readonly corners: readonly Corner[];
  /** Where its name or mark stands. */
  readonly centre: Point;
  /** Lie of the hair, degrees clockwise from "towards the tail". */
  readonly lieDeg: number;
  /** Length of drawn hair. */
  readonly hair: number;
}

const cut = (region: Region, centre: Point, lieDeg: number, hair: number, ...corners: Corner[]): Cut => ({
  region,
  corners,
  centre,
  lieDeg,
  hair,
});

export const CUTS: readonly Cut[] = [
  cut('face', [216, 236], 12, 7, 'noseOut', 'stopOut', 'earFront', 'cheek', 'jaw', 'jawOut', 'chinOut'),
  cut('ears', [314, 120], -70, 8, 'earFront', 'earTopFront', 'earTopBack', 'earBack', 'behindEar', 'cheek'),
  cut(
    'ruff',
    [386, 268],
    55,
    20,
    'earBack',
    'crestOut',
    'withersOut',
    'withers',
    'shoulderTop',
    'shoulderMid',
    'shoulderPoint',
    'bibTop',
    'jaw',
    'cheek',
    'behindEar',
  ),
  cut('throat', [296, 348], 75, 16, 'jawOut', 'jaw', 'bibTop', 'shoulderPoint', 'chestTop', 'chestOut', 'bibOut'),
  cut('chest', [326, 424], 70, 15, 'chestOut', 'chestTop', 'shoulderPoint', 'elbowFront', 'legFrontTop', 'legFrontOut'),
  cut(
    'shoulder',
    [424, 380],
    50,
    14,
    'withers',
    'backFront',
    'ribFront',
    'elbow',
    'elbowFront',
    'shoulderPoint',
    'shoulderMid',
    'shoulderTop',
  ),
  cut(
    'foreleg',
    [378, 528],
    92,
    9,
    'legFrontOut',
    'legFrontTop',
    'elbowFront',
    'elbow',
    'elbowBack',
    'footBack',
    'footFront',
  ),
  cut('forefoot', [364, 622], 95, 4, 'footFront', 'footBack', 'footBackLow', 'footFrontLow'),
  cut('armpit', [460, 440], 60, 8, 'elbow', 'ribFront', 'bellyFrontOut', 'elbowBack'),
  cut('back', [570, 280], 4, 13, 'withersOut', 'backOut', 'hipTop', 'backRear', 'backFront', 'withers'),
  cut('ribs', [556, 352], 32, 14, 'backFront', 'backRear', 'flank', 'ribRear', 'ribFront'),
  cut('belly', [552, 430], 20, 14, 'ribFront', 'ribRear', 'tuck', 'bellyRearOut', 'bellyFrontOut'),
  cut('hip', [684, 318], 25, 13, 'hipTop', 'backOut', 'croupOut', 'croup', 'hipLow', 'flank', 'backRear'),
  cut('rump', [772, 302], 40, 14, 'croupOut', 'rumpOut', 'rumpRear', 'thighBack', 'croup'),
  cut('groin', [682, 412], 60, 8, 'ribRear', 'flank', 'hipLow', 'stifleOut', 'bellyRearOut', 'tuck'),
  cut('breeches', [800, 404], 78, 22, 'thighBack', 'rumpRear', 'breechOut', 'breechLowOut', 'breechLow'),
  cut(
    'hindleg',
    [752, 480],
    75,
    9,
    'croup',
    'thighBack',
    'breechLow',
    'breechLowOut',
    'hockOut',
    'hindFootBack',
    'hindFootFront',
    'hockFrontOut',
    'stifleOut',
    'hipLow',
  ),
  cut('hindfoot', [758, 624], 95, 4, 'hindFootFront', 'hindFootBack', 'hindFootBackLow', 'hindFootFrontLow'),
];
