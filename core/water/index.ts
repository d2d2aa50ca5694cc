/** Decides water and product: dilution, and how much of it a dog takes. */
export { type Dilution, type Mix, concentrateShare, partsOf, mixOf, washesMl, productFor } from './dilution.ts';
export { type BathRhythm, type SkinState, bathRhythm, skinState } from './rhythm.ts';
export { SHAMPOOS, SHAMPOO_ROWS, type Shampoo, type ShampooRow, type Washes, washesFor } from './shampoo.ts';
export { type Stock, type StockKind, type StockMove, STOCK_KINDS, stockOf } from './stock.ts';
