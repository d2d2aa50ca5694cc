/** What is looked at on the whole dog before the coat, in working order. Common practice. */
export const INSPECTION_ITEMS = [
  'eyes',
  'teeth',
  'ears',
  'joints',
  'stance',
  'breathing',
  'nails',
  'skin',
  'parasites',
  'lumps',
  'rear',
] as const;
export type InspectionItem = (typeof INSPECTION_ITEMS)[number];

export const INSPECTION_ANSWERS = ['fine', 'watch', 'trouble'] as const;
export type InspectionAnswer = (typeof INSPECTION_ANSWERS)[number];

export interface InspectionRow {
  readonly item: InspectionItem;
  readonly name: string;
  readonly look: string;
  /** What trouble here means for the groom: nothing more than a note, or no groom at all. */
  readonly onTrouble: 'note' | 'stop-dog';
}

export const INSPECTION: readonly InspectionRow[] = [
  { item: 'eyes', name: 'Eyes', look: 'Clear, open, no discharge.', onTrouble: 'note' },
  { item: 'teeth', name: 'Teeth', look: 'Gums pink, no broken tooth, no foul smell.', onTrouble: 'note' },
  { item: 'ears', name: 'Ears', look: 'Clean, no smell, no head shaking.', onTrouble: 'note' },
  { item: 'joints', name: 'Joints', look: 'Gentle pressure is borne at hips, knees, elbows.', onTrouble: 'stop-dog' },
  { item: 'stance', name: 'Stance', look: 'Stands square and willingly, no lameness.', onTrouble: 'stop-dog' },
  { item: 'breathing', name: 'Breathing', look: 'Quiet at rest; no distress, no collapse.', onTrouble: 'stop-dog' },
  { item: 'nails', name: 'Nails', look: 'Not torn, not grown in.', onTrouble: 'note' },
  { item: 'skin', name: 'Skin', look: 'Under parted coat in a few places.', onTrouble: 'note' },
  { item: 'parasites', name: 'Parasites', look: 'No heavy load; heavy means isolate.', onTrouble: 'stop-dog' },
  { item: 'lumps', name: 'Lumps', look: 'Both hands over the dog; known ones noted.', onTrouble: 'note' },
  { item: 'rear', name: 'Rear', look: 'Clean, dry, not swollen.', onTrouble: 'note' },
];

export type Inspection = Partial<Readonly<Record<InspectionItem, InspectionAnswer>>>;
