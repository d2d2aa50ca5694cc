/** What is lasting about a dog and changes what may be done to it. */
/** Lasting traits that change what may be done; each is a rule's handle. */
export const DOG_TRAITS = [
  'puppy-coat',
  'senior',
  'neutered',
  'intact',
  'previously-clipped',
  'four-tides',
  'show-coat',
  'head-shy',
  'dryer-shy',
  'short-nosed',
  'sore-joints',
  'skin-trouble',
  'heart-trouble',
  'medicines',
  'nervous',
  'bites',
  'takes-dryer',
  'age-as-ticked',
] as const;
export type DogTrait = (typeof DOG_TRAITS)[number];

export const TRAIT_WORDS: Readonly<Record<DogTrait, string>> = {
  'puppy-coat': 'puppy coat',
  senior: 'senior',
  neutered: 'neutered',
  intact: 'intact',
  'previously-clipped': 'clipped before',
  'four-tides': 'sheds in four waves',
  'show-coat': 'show coat',
  'head-shy': 'head-shy',
  'dryer-shy': 'dryer-shy',
  'short-nosed': 'short-nosed',
  'sore-joints': 'sore joints',
  'skin-trouble': 'skin trouble',
  'heart-trouble': 'heart trouble',
  medicines: 'on medicines',
  nervous: 'nervous',
  bites: 'may bite',
  'takes-dryer': 'used to the force dryer',
  'age-as-ticked': 'age as ticked, whatever the birthday',
};

/** Dogs that fear the force dryer, or the hand that holds it. Common practice. */
export const DREADS_DRYER: readonly DogTrait[] = ['head-shy', 'dryer-shy', 'nervous', 'bites'];
