/** A question to the API as TanStack Query keeps it: its key is the row of the contract, with what it is asked with. */
import { queryOptions } from '@tanstack/react-query';
import type { AskedWith, KeyFor, PathFor } from '../../contract/api.ts';
import { api } from './client.ts';

export const asks = <P extends PathFor<'GET'>>(path: P, ...asked: AskedWith<KeyFor<'GET', P>>) =>
  queryOptions({ queryKey: [`GET ${path}`, ...asked], queryFn: () => api.get(path, ...asked) });
