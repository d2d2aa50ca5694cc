/** What an owner can report, and what a report closes until somebody has looked. Common practice. */
export const REPORT_KINDS = ['lump', 'knot', 'red-skin', 'ticks', 'other'] as const;
export type ReportKind = (typeof REPORT_KINDS)[number];
/** Kinds for which a part is not brushed until somebody has looked. */
export const CLOSING_REPORTS: readonly ReportKind[] = ['lump', 'red-skin'];
