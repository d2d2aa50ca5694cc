/** The words of the trade as this house uses them: one sentence each, and where to see them. Common practice. */
export interface GlossaryWord {
  readonly word: string;
  readonly also?: readonly string[];
  readonly says: string;
  /** Where it is seen at work. */
  readonly to?: string;
}

const w = (word: string, says: string, to?: string, ...also: string[]): GlossaryWord => ({
  word,
  says,
  ...(to !== undefined && { to }),
  ...(also.length > 0 && { also }),
});

export const GLOSSARY: readonly GlossaryWord[] = [
  w('Undercoat', 'The soft dense hair below the guard hair; it insulates, and sheds in tides.', undefined, 'underwool'),
  w(
    'Guard hair',
    'The long hairs of the topcoat: they shed dirt and water and shade the skin. Cut or frayed, they may never come back right.',
    undefined,
    'topcoat',
  ),
  w('Double coat', 'Guard hair over undercoat. Never clipped for coolness.', '/desk/rules'),
  w(
    'Blow',
    'The weeks in which a seasonal coat lets its undercoat go: four to six, heaviest early.',
    '/desk/tide',
    'coat blow',
  ),
  w(
    'Tide',
    'How a dog’s release of undercoat rises and falls over the year, moved by day length and warmth.',
    '/desk/tide',
  ),
  w('Loose store', 'Undercoat that is set free and still stands in the coat, in grams.', '/desk/tide'),
  w(
    'Packed',
    'Dense loose undercoat between live hairs; no lock is tied. It washes and blows out.',
    '/desk/practice/packed-or-matted',
  ),
  w(
    'Matted',
    'Hairs tied together. Worked out, split or clipped off, and always decided about before water.',
    '/desk/practice/packed-or-matted',
    'mat',
  ),
  w('Plate', 'Packed undercoat so dense that nothing moves: the highest finger grade.'),
  w('Pelt', 'Felted down to the skin.', undefined, 'pelted'),
  w('Knot', 'A loose tie that opens between the fingers.', undefined, 'knotted'),
  w('Dense', 'A full live undercoat: fingers meet depth, yet nothing comes at a pull and the comb glides.'),
  w(
    'Finger-to-skin',
    'How hard it is for fingertips to reach the skin: from 0, skin at a touch, to 4, a plate.',
    '/desk/practice/read-a-coat',
    'finger test',
  ),
  w(
    'Tug',
    'What a gentle pull on a pinch of hair brings: nothing, a few hairs, a tuft, a handful.',
    '/desk/practice/read-a-coat',
  ),
  w('Comb proof', 'A zone is done when the comb falls through it with no pressure.', undefined, 'proof'),
  w('Zone', 'A part of the dog that is felt, worked and written down by itself; both sides where it is paired.'),
  w('Ruff', 'Neck and collar: the deepest coat of all.'),
  w('Breeches', 'The long hair behind the thighs: as dense as the ruff, and clumps hang here.', undefined, 'trousers'),
  w('Feathers', 'Long hair on legs and tail that tangles and picks up seeds.'),
  w('Bib', 'Throat and upper chest: saliva, dirt, skin folds.', undefined, 'throat'),
  w(
    'Undercoat rake',
    'Long pins that lift loose undercoat out through the guard hair; from the arm, wrist locked.',
    '/desk/kit',
    'rake',
  ),
  w(
    'Slicker',
    'Fine bent wires that loosen, lift and fluff. Level with the body, pressure tried on the back of the hand.',
    '/desk/kit',
  ),
  w('Pin brush', 'Opens big tangles; the only brush that a sopping coat bears.', '/desk/kit'),
  w('Rubber curry', 'Nubs for short coats, dry and in the lather.', '/desk/kit', 'rubber', 'mitt'),
  w(
    'De-shedding blade',
    'A fine comb edge: very fast on smooth doubles, bone dry, torso only, minutes only.',
    '/desk/rules',
    'blade comb',
    'blade',
  ),
  w('Carding', 'Drawing fuzz out of a topline with a blunt fine blade or a stone.', undefined, 'carding blade'),
  w(
    'High-velocity dryer',
    'A strong stream of air that blows loosened hair out; loud, and dreaded by some.',
    '/desk/kit',
    'force dryer',
  ),
  w(
    'Bather',
    'Pumps soapy water through a plate to the skin; about halves bath time.',
    '/desk/kit',
    'recirculating bather',
  ),
  w(
    'Dry first',
    'Rake and slicker before the bath: shampoo reaches the skin once the bulk is out.',
    '/desk/reports/plans',
  ),
  w('Wet first', 'Bath and soap before any brush: half of the loose hair leaves in the tub.', '/desk/reports/plans'),
  w('Air first', 'The dryer on the dirty dry coat, then the bath.', '/desk/reports/plans'),
  w('Damp line', 'Mist, then line by line: long coats between baths.', '/desk/reports/plans'),
  w(
    'Line brushing',
    'The coat is parted and brushed line by line from below, so that nothing is passed over.',
    '/desk/practice/line-brushing',
  ),
  w(
    'Stair',
    'A plan drawn as steps: as wide as its minutes, as deep as the hair it takes.',
    '/desk/reports/plans',
    'staircase',
  ),
  w('Brush burn', 'Skin reddened or worse by too many passes; it grows as the undercoat that shields it goes.'),
  w('Skin load', 'How much of what a zone’s skin bears in a visit has been used.'),
  w('Snood', 'A hood over the ears against the dryer’s noise.', undefined, 'hood'),
  w('Grooming loop', 'Holds a dog at the table. Never left alone in one.', undefined, 'loop'),
  w('Dilution', '1 to 10 is one part to ten parts: eleven in all.', '/desk/today'),
  w('Noise dose', 'The share of a day’s noise that was taken, by time at each level.', '/desk/today'),
  w('Band', 'The range that holds eight in ten: how sure a figure is.'),
  w(
    'Town’s shift',
    'How many days early or late this year runs for all dogs here, learnt from all of them.',
    '/desk/tide',
  ),
  w(
    'Calibration',
    'Whether ranges keep their word: those of 80 % should hold eight times in ten.',
    '/desk/reports/forecasts',
  ),
  w('Trail', 'Who changed what, kept by the file itself.', '/desk/changes'),
  w('Pegs', 'The home week as pegs on a line: done hangs, missed slides on.', '/home'),
];
