/** Server state of the safe: changes, backups, what is taken out and brought in. */
import { useQuery } from '@tanstack/react-query';
import type { Forget, IntakeColumns, IntakeDraft } from '../../contract/safe.ts';
import { asks } from './asked.ts';
import { api, newId } from './client.ts';
import { useWrite } from './hooks.ts';

const WORKING_MS = 700;

/** The safe, asked again while something is being made. */
export const useSafe = () =>
  useQuery({
    ...asks('/safe'),
    refetchInterval: ({ state }) =>
      state.data?.jobs.some((j) => j.state === 'waiting' || j.state === 'running') ? WORKING_MS : false,
  });
export const useMakeBackup = () => useWrite(() => api.post('/backups', { id: newId() }));
export const useMakeExport = () => useWrite(() => api.post('/exports', { id: newId() }));
export const exportUrl = (id: string): string => `/api/exports/${encodeURIComponent(id)}`;

export const useChanges = (before: number | undefined, dog: string | undefined) =>
  useQuery(asks('/changes', { ...(before !== undefined && { before: String(before) }), ...(dog && { dog }) }));
export const useForget = () => useWrite((owner: Forget) => api.post('/forget', owner));

export const useIntakes = () => useQuery(asks('/intake'));
/** What would come of each line; asked again with each change of a column. */
export const useIntakePreview = (csv: string | undefined, columns: IntakeColumns | undefined) =>
  useQuery({
    queryKey: ['POST /intake/preview', csv, columns],
    queryFn: () => api.post('/intake/preview', { csv: csv ?? '', ...(columns && { columns }) }),
    enabled: csv !== undefined,
    placeholderData: (before) => before,
  });
export const useBringIn = () => useWrite((draft: IntakeDraft) => api.post('/intake', draft));
export const useUndoIntake = () => useWrite((id: string) => api.delete('/intake/:id', { id }));
