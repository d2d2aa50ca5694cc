/** What each row of the API answers as JSON, by its key: the schemas of replies in OpenAPI are made from this type. */
import type { ApiKey, JsonOf, ReplyOf } from './api.ts';

export type Replies = {
  readonly [K in ApiKey as ReplyOf<K> extends { readonly kind: 'file' } ? never : K]: JsonOf<K>;
};
