/** Decides water and product: dilution, and how much of it a dog takes. */
export { type Dilution, type Mix, concentrateShare, partsOf, mixOf, washesMl, productFor } from './dilution.ts';
