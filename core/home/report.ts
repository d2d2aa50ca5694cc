/** What an owner can report, and what a report closes until somebody has looked. Common practice. */
import type { OwnerFinding } from '../check/index.ts';

export const REPORT_KINDS = ['lump', 'knot', 'red-skin', 'ticks', 'other'] as const;
export type ReportKind = (typeof REPORT_KINDS)[number];
/** Is it such that a part is not brushed until somebody has looked. */
export const closesPart = (kind: ReportKind): kind is OwnerFinding => kind === 'lump' || kind === 'red-skin';
