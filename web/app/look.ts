/** How a page looks on this device before anything stands in it, as its root says it to its styles. */
import { theme, themeMarks } from './theme.ts';
import { view, viewMarks } from './view.ts';

export const lookMarks = () => ({ ...themeMarks(theme()), ...viewMarks(view()) });
