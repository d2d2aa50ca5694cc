/** Years that a salon wonders about: what would be otherwise, kept under a name. */
import Joi from 'joi';
import { MOST_CHANGE, type YearChange } from '../core/book/index.ts';
import { idSchema, nameLine } from './common.ts';

export interface KeptYear {
  readonly id: string;
  readonly name: string;
  readonly change: YearChange;
}
export interface YearsPage {
  readonly years: readonly KeptYear[];
}

export const keptYearSchema: Joi.ObjectSchema<KeptYear> = Joi.object<KeptYear>({
  id: idSchema.required(),
  name: nameLine(60).required(),
  change: Joi.object<YearChange>({
    handDays: Joi.number().integer().min(0).max(MOST_CHANGE.handDays).required(),
    openWeekday: Joi.number().integer().min(1).max(7).allow(null).required(),
    strongerDryer: Joi.boolean().required(),
    moreDogs: Joi.number().integer().min(0).max(MOST_CHANGE.moreDogs).required(),
    homesBrush: Joi.boolean().required(),
    secondTub: Joi.boolean().required(),
  }).required(),
}).label('year');
