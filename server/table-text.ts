/** How text of a table is read back: what a spreadsheet would have calculated with was kept text by an apostrophe. */
export const asTyped = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '');
