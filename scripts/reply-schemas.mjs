/*
 * The schemas of the API's replies, made from the contract's own types: contract/replies.json, which OpenAPI shows. Called as
 * `npm run replies`; with --check it tells whether what is committed is what the types say.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import ts from 'typescript';
import * as TJS from 'typescript-json-schema';

const ROOT = resolve(import.meta.dirname, '..');
const FILE = resolve(ROOT, 'contract/replies.json');
/* Names that a type was given by hand; the others say what they are made of, and are written out where they stand. */
const NAMED = /^[A-Za-z][A-Za-z0-9]*$/;
/* What TypeScript says of its own helpers tells nothing of the API. */
const OWN_WORDS = /^(From T|Exclude|Construct|Make all|Extract)/;

const isObject = (value) => typeof value === 'object' && value !== null && !Array.isArray(value);

/* A number or text with a brand, like a day, is that number or text; a list that may be walked is a list. */
const unbranded = ({ allOf, ...rest }) => {
  const list = allOf?.filter((part) => part.type === 'array') ?? [];
  const plain =
    list.length > 0
      ? list
      : allOf?.filter((part) => !(part.type === 'object' && Object.keys(part.properties ?? {}).length === 0));
  return allOf && plain.length === 1 ? { ...rest, ...plain[0] } : { ...rest, ...(allOf && { allOf }) };
};

/* A tuple as the draft of OpenAPI 3.1 says it. */
const tupled = ({ items, additionalItems, ...rest }) =>
  Array.isArray(items)
    ? { ...rest, prefixItems: items, items: additionalItems ?? false }
    : { ...rest, ...(items && { items }) };

function clean(value, definitions) {
  if (Array.isArray(value)) return value.map((v) => clean(v, definitions));
  if (!isObject(value)) return value;
  const { $ref, description, ...rest } = value;
  const said = typeof description === 'string' && !OWN_WORDS.test(description) ? { description } : {};
  if (typeof $ref === 'string') {
    const name = decodeURIComponent($ref.slice('#/definitions/'.length));
    const inner = NAMED.test(name) ? { $ref: `#/components/schemas/${name}` } : clean(definitions[name], definitions);
    return { ...inner, ...said };
  }
  const entries = Object.entries(tupled(unbranded(rest))).map(([key, v]) => [key, clean(v, definitions)]);
  return { ...Object.fromEntries(entries), ...said };
}

/* Properties of a named type that are there in TypeScript as undefined: JSON leaves them out. */
function mayBeAbsent(program) {
  const absent = new Map();
  const visit = (node, owner) => {
    const own = ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node) ? node.name.text : owner;
    if (own && ts.isPropertySignature(node) && node.type && ts.isUnionTypeNode(node.type))
      if (node.type.types.some((t) => t.kind === ts.SyntaxKind.UndefinedKeyword))
        absent.set(own, (absent.get(own) ?? new Set()).add(node.name.getText()));
    ts.forEachChild(node, (child) => visit(child, own));
  };
  for (const file of program.getSourceFiles()) if (!file.fileName.includes('node_modules')) visit(file, undefined);
  return absent;
}

/* A schema in which none of these properties is asked for, however deep it lies. */
function without(schema, names) {
  if (Array.isArray(schema)) return schema.map((s) => without(s, names));
  if (!isObject(schema)) return schema;
  const rest = Object.fromEntries(Object.entries(schema).map(([key, value]) => [key, without(value, names)]));
  if (Array.isArray(rest.required)) {
    rest.required = rest.required.filter((name) => !names.has(name));
    if (rest.required.length === 0) delete rest.required;
  }
  return rest;
}

/* The file's text: a definition a line, in order, so that a change shows where it is. */
function replySchemas() {
  const program = TJS.programFromConfig(resolve(ROOT, 'contract/tsconfig.json'), [
    resolve(ROOT, 'contract/replies.ts'),
  ]);
  const made = TJS.generateSchema(program, 'Replies', { required: true, ignoreErrors: true });
  if (!made?.definitions || !made.properties) throw new TypeError('the replies have no schema');
  const absent = mayBeAbsent(program);
  const { properties } = made;
  const definitions = Object.fromEntries(
    Object.entries(made.definitions).map(([name, schema]) => [name, without(schema, absent.get(name) ?? new Set())]),
  );
  const listed = (all) =>
    Object.entries(all)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([name, schema]) => `    ${JSON.stringify(name)}: ${JSON.stringify(clean(schema, definitions))}`)
      .join(',\n');
  const named = Object.fromEntries(Object.entries(definitions).filter(([name]) => NAMED.test(name)));
  return `{\n  "schemas": {\n${listed(named)}\n  },\n  "replies": {\n${listed(properties)}\n  }\n}\n`;
}

const text = replySchemas();
if (process.argv.includes('--check')) {
  if (readFileSync(FILE, 'utf8') !== text) {
    console.error('contract/replies.json is not what the types of the contract say. Run: npm run replies');
    process.exit(1);
  }
} else {
  writeFileSync(FILE, text);
  console.log(`${FILE} is written.`);
}
