/** The pages that have a help text, one for each text: some pages share theirs. */
import { PAGES, type HelpText, type Page } from '../pages.ts';

export type HelpPage = Page & { readonly help: HelpText };

export const HELP_PAGES: readonly HelpPage[] = PAGES.flatMap((page, i) => {
  const { help } = page;
  return help && PAGES.findIndex((p) => p.help === help) === i ? [{ ...page, help }] : [];
});
