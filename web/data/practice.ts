/** What the practice rooms read and write. */
import { queryOptions, useQuery } from '@tanstack/react-query';
import type { AnswerDraft, BoutDraft } from '../../contract/practice.ts';
import { api } from './client.ts';
import { useWrite } from './hooks.ts';

export const practiceQuery = queryOptions({
  queryKey: ['practice'],
  queryFn: () => api.get('/practice'),
});
export const usePracticePage = () => useQuery(practiceQuery);
export const usePracticePeople = (may: boolean) =>
  useQuery({
    queryKey: ['practice-people'],
    queryFn: () => api.get('/practice/people'),
    enabled: may,
  });
export const useKeepBout = () => useWrite((bout: BoutDraft) => api.post('/practice/bouts', bout));
export const useKeepAnswer = () => useWrite((answer: AnswerDraft) => api.post('/practice/answers', answer));
