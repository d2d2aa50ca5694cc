/** Products: what was bought, mixed and counted, and the stock that follows from it. */
import Joi from 'joi';
import { STOCK_KINDS, type Stock, type StockKind } from '../core/water/index.ts';
import { daySchema, idSchema, nameLine } from './common.ts';

export interface ProductMoveDraft {
  readonly id: string;
  readonly product: string;
  readonly day: string;
  readonly kind: StockKind;
  /** Millilitres of concentrate. */
  readonly ml: number;
}

export interface ProductsPage {
  readonly stock: readonly Stock[];
  /** The newest moves first. */
  readonly moves: readonly ProductMoveDraft[];
}

const MOST_ML = 200_000;
export const productMoveSchema: Joi.ObjectSchema<ProductMoveDraft> = Joi.object<ProductMoveDraft>({
  id: idSchema.required(),
  product: nameLine(60).required(),
  day: daySchema.required(),
  kind: Joi.string()
    .valid(...STOCK_KINDS)
    .required(),
  ml: Joi.number().min(0).max(MOST_ML).required(),
}).label('move');
