/** Accounts: who works here and what each may do; how somebody signs in, takes over a shared tablet, and is refused. */
import Joi from 'joi';
import { idSchema, nameLine, versionSchema } from './common.ts';
import { isCommonPin } from './common-pin.ts';
import { PASSPHRASE } from './door.ts';

/** What somebody may do here, most first. */
export const ROLES = ['owner', 'groomer', 'bather', 'desk'] as const;
export type Role = (typeof ROLES)[number];

export interface Account {
  readonly id: string;
  /** What is typed to sign in. */
  readonly login: string;
  readonly name: string;
  readonly role: Role;
  /** Person of the roster, where the account is one. */
  readonly personId: string | null;
  readonly hasPin: boolean;
  /** An account read in from another file has none until somebody sets it on the machine. */
  readonly hasPassphrase: boolean;
  readonly ended: boolean;
  readonly version: number;
}
/** Somebody a shared tablet can be handed to. */
export type Colleague = Pick<Account, 'id' | 'name' | 'role' | 'hasPin'>;

/** What a page needs to know before it shows anything. */
export interface MePage {
  readonly account: Pick<Account, 'id' | 'login' | 'name' | 'role' | 'hasPin'> | null;
  /** Nobody has an account yet: the first one made is the owner's. */
  readonly first: boolean;
  /** The first account is made on the machine itself, or with the code it printed. */
  readonly codeNeeded: boolean;
  /** A salon stands in the file. */
  readonly salon: boolean;
  readonly shared: boolean;
  /** A shared tablet that waits for a PIN. */
  readonly locked: boolean;
  /** Owner's acts are open: the passphrase was shown within the last minutes. */
  readonly confirmed: boolean;
  /** On a shared tablet: to whom it can be handed. */
  readonly colleagues: readonly Colleague[];
  /** In the demo: who can be tried, and the passphrase of all of them. */
  readonly demo: {
    readonly people: readonly Pick<Account, 'login' | 'name' | 'role'>[];
    readonly passphrase: string;
  } | null;
}

/** A device that is signed in. */
export interface SignInRecord {
  readonly id: string;
  readonly accountId: string;
  readonly name: string;
  readonly device: string;
  readonly address: string;
  readonly shared: boolean;
  readonly createdMs: number;
  readonly seenMs: number;
  /** The one that asks. */
  readonly own: boolean;
}
export interface KeysPage {
  readonly accounts: readonly Account[];
  readonly signIns: readonly SignInRecord[];
}

const passphraseSchema = Joi.string().min(PASSPHRASE.least).max(PASSPHRASE.most).required();
/** Whatever was typed: whether it fits is the answer of the sign-in, not of its form. */
const typedSchema = Joi.string().max(PASSPHRASE.most).required();
const loginSchema = Joi.string()
  .pattern(/^[a-z0-9][a-z0-9.-]{1,39}$/)
  .required()
  .messages({
    'string.pattern.base': '{{#label}} must be 2 to 40 small letters, digits, dots or dashes, not "{{#value}}"',
  });
const pinText = Joi.string()
  .pattern(/^\d{4,8}$/)
  .required()
  .messages({ 'string.pattern.base': '{{#label}} must be 4 to 8 digits' });
/** A PIN that is being made: not one of those that are tried first. */
const newPinText = pinText
  .custom((pin: string, helpers) => (isCommonPin(pin) ? helpers.error('pin.common') : pin))
  .messages({
    'pin.common': '{{#label}} is one that is tried first: take digits that are no year, no row and no pattern',
  });
const nameSchema = nameLine(80).required();
const roleSchema = Joi.string()
  .valid(...ROLES)
  .required();

export interface SignIn {
  readonly login: string;
  readonly passphrase: string;
  /** A tablet of the salon that several people use. */
  readonly shared: boolean;
}
export const signInSchema = Joi.object<SignIn>({
  login: Joi.string().max(80).required(),
  passphrase: typedSchema,
  shared: Joi.boolean().required(),
}).label('sign-in');

export interface FirstOwner {
  readonly name: string;
  readonly login: string;
  readonly passphrase: string;
  readonly code?: string | undefined;
}
export const firstOwnerSchema = Joi.object<FirstOwner>({
  name: nameSchema,
  login: loginSchema,
  passphrase: passphraseSchema,
  code: Joi.string().max(80),
}).label('account');

export interface AccountDraft {
  readonly id: string;
  readonly name: string;
  readonly login: string;
  readonly role: Role;
  readonly personId: string | null;
  readonly passphrase: string;
}
export const accountDraftSchema = Joi.object<AccountDraft>({
  id: idSchema.required(),
  name: nameSchema,
  login: loginSchema,
  role: roleSchema,
  personId: idSchema.allow(null).required(),
  passphrase: passphraseSchema,
}).label('account');

export interface AccountEdit {
  readonly name: string;
  readonly role: Role;
  readonly personId: string | null;
  readonly ended: boolean;
  readonly version: number;
}
export const accountEditSchema = Joi.object<AccountEdit>({
  name: nameSchema,
  role: roleSchema,
  personId: idSchema.allow(null).required(),
  ended: Joi.boolean().required(),
  version: versionSchema.required(),
}).label('account');

/** The own passphrase, shown once more before an owner's act. */
export interface Confirm {
  readonly own: string;
}
export const confirmSchema = Joi.object<Confirm>({ own: typedSchema }).label('passphrase');

/** Anyone who sets a new secret shows first who they are. */
export interface NewPassphrase {
  readonly own: string;
  readonly passphrase: string;
}
export const newPassphraseSchema = Joi.object<NewPassphrase>({
  own: typedSchema,
  passphrase: passphraseSchema,
}).label('passphrase');

export interface NewPin {
  readonly own: string;
  readonly pin: string;
}
export const newPinSchema = Joi.object<NewPin>({ own: typedSchema, pin: newPinText }).label('PIN');

export interface HandOver {
  readonly accountId: string;
  readonly pin: string;
}
export const handOverSchema = Joi.object<HandOver>({ accountId: idSchema.required(), pin: pinText }).label('hand-over');
