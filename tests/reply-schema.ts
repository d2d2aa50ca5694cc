/** Is what the API answers what its description says: by JSON Schema (draft 2020-12), with a validator that is not ours. */
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import type { ApiKey } from '../contract/api.ts';
import { openApi } from '../contract/openapi.ts';

const document = openApi();
const ajv = new Ajv2020({ strict: false });
const known = new Map<ApiKey, ValidateFunction>();

/** What lies at a path of a value. */
const at = (value: unknown, ...path: readonly string[]): unknown =>
  path.reduce((v, step) => (typeof v === 'object' && v !== null ? Reflect.get(v, step) : undefined), value);

function validatorOf(key: ApiKey): ValidateFunction {
  const own = known.get(key);
  if (own) return own;
  const [method = '', path = ''] = key.split(' ');
  const place = ['paths', path.replace(/:(\w+)/g, '{$1}'), method.toLowerCase()];
  const schema = at(document, ...place, 'responses', '2XX', 'content', 'application/json', 'schema');
  if (typeof schema !== 'object' || schema === null) throw new TypeError(`${key} is described without its reply`);
  // The parts that schemas name stand where the document has them.
  const made = ajv.compile({ ...schema, components: at(document, 'components') });
  known.set(key, made);
  return made;
}

/** Fails where an answer is not what the description of its row says. */
export function expectAsDescribed(key: ApiKey, json: unknown): void {
  const validate = validatorOf(key);
  expect(validate(json), `${key} ${JSON.stringify(validate.errors?.slice(0, 3))}`).to.equal(true);
}
