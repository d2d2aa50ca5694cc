/** Joins the names of classes that hold; what is false or missing is left out. */
export const cx = (...names: readonly (string | false | null | undefined)[]): string => names.filter(Boolean).join(' ');
