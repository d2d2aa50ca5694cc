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
export { DOG_TRAITS, TRAIT_WORDS, SEXES, type Dog, type DogTrait, type Sex, usualStandingMinutes } from './dog.ts';
