/**
 * What stands under a field that cannot be taken, as a person says it. Codes are Joi's; one that is not here is said in the
 * schema's own words. At most one number stands in a sentence, so that a field can say it in the device's unit.
 */
export const SENTENCES: Readonly<Record<string, string>> = {
  'any.required': 'please fill this in',
  'any.only': 'please choose one of the list',
  'string.base': 'please fill this in',
  'string.empty': 'please fill this in',
  'string.min': 'at least {#limit} letters',
  'string.max': 'at most {#limit} letters',
  'string.email': 'a mail address has an @ and a dot, as in name@place.org',
  'string.pattern.base': 'this cannot be read here: please write it otherwise',
  'name.unseen': 'please write a name with letters that can be seen',
  'day.plain': 'please choose a day that exists',
  'number.base': 'please write a number',
  'number.unsafe': 'that number is too large',
  'number.integer': 'please write a whole number',
  'number.min': 'at least {#limit}',
  'number.max': 'at most {#limit}',
  'number.greater': 'more than {#limit}',
  'number.less': 'less than {#limit}',
  'number.precision': 'at most {#limit} digits after the point',
  'number.multiple': 'in steps of {#multiple}',
  'array.base': 'please choose',
  'array.min': 'please choose at least {#limit}',
  'array.max': 'please choose at most {#limit}',
  'array.unique': 'each only once',
  'array.includesRequiredUnknowns': 'please choose',
};
