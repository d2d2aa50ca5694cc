/** Decides which body shapes a dog is drawn and worked in: proportions that change where zones lie, not what they are. */
export const BODY_SHAPES = ['spitz', 'retriever', 'collie', 'guardian', 'hound', 'short-legged'] as const;
export type BodyShape = (typeof BODY_SHAPES)[number];

export const SHAPE_WORDS: Readonly<Record<BodyShape, string>> = {
  spitz: 'spitz: prick ears, curled tail',
  retriever: 'retriever: drop ears, level back',
  collie: 'collie: long head, tipped ears',
  guardian: 'guardian: big bone, heavy head',
  hound: 'hound: deep chest, tucked belly',
  'short-legged': 'short-legged: long back',
};
