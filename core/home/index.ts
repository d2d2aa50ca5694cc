/** Decides the owner's share of the work. */
export { type HomeCard, type HomeCardRequest, type HomeDont, type HomeStep, homeCard } from './card.ts';
export { visitSummary, type VisitFinding, type VisitSummary, type VisitWatch } from './visit.ts';
