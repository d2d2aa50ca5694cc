/** What the practice rooms read and write. */
import { useQuery } from '@tanstack/react-query';
import type { AnswerDraft, BoutDraft } from '../../contract/practice.ts';
import { asks } from './asked.ts';
import { api } from './client.ts';
import { useWrite } from './hooks.ts';

export const practiceQuery = asks('/practice');
export const usePracticePage = () => useQuery(practiceQuery);
export const usePracticePeople = (may: boolean) => useQuery({ ...asks('/practice/people'), enabled: may });
export const useKeepBout = () => useWrite((bout: BoutDraft) => api.post('/practice/bouts', bout));
export const useKeepAnswer = () => useWrite((answer: AnswerDraft) => api.post('/practice/answers', answer));
