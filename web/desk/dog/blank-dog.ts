/** A dog before anything is known of it: what a form begins with, and what is assumed until somebody has met it. */
import type { DogDraft } from '../../../contract/dog.ts';

export const BLANK: DogDraft = {
  name: '',
  breed: '',
  sex: 'female',
  born: null,
  coatClass: 'medium-double',
  shape: 'retriever',
  weightKg: 20,
  lastSeason: null,
  traits: [],
  care: [],
  outdoorShare: 0.25,
  standingMinutes: null,
  homeCare: 'some',
  note: '',
  owner: { name: '', phone: '' },
};
