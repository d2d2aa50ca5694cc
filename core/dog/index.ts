/** What a dog is: its coat class, its zones, its size. */
export {
  PAIRED_REGIONS,
  MID_REGIONS,
  REGIONS,
  ZONES,
  ZONE_IDS,
  type PairedRegion,
  type MidRegion,
  type Region,
  type RegionRow,
  type Side,
  type Zone,
  type ZoneId,
  regionRow,
  zone,
  isZoneId,
  mirrorZone,
  zoneName,
} from './zones.ts';
export { COAT_CLASSES, COATS, type CoatClass, type CoatClassRow, coatRow } from './coats.ts';
export { BODY_SHAPES, SHAPE_WORDS, type BodyShape } from './shapes.ts';
export { BREEDS, type BreedRow, breedOf, findBreeds } from './breeds.ts';
export { bodySurfaceM2 } from './surface.ts';
export { traitsOn, yearsOld } from './age.ts';
export { CLIP_REASONS, type ClipOrder, type ClipReason, clipOrdersOn } from './clip-order.ts';
export { MIND, type MindAdvice, type MindAdviceId, mindAdvice } from './mind.ts';
export {
  CARE,
  CARE_ITEMS,
  GLANDS,
  type CareHouse,
  type CareItem,
  type CareRow,
  type CareTerms,
  careFor,
  careMinutes,
  carePrice,
  careRow,
  chargedApart,
} from './care-items.ts';
export { DOG_TRAITS, DREADS_DRYER, TRAIT_WORDS, type DogTrait } from './traits.ts';
export { SEXES, type Dog, type Sex, usualStandingMinutes } from './dog.ts';
export { forService, SERVICES, serviceMinutes, serviceName, type Service } from './services.ts';
