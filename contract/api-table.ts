/** The table of the API as docs/api.md shows it. */
import { API, type ApiRow } from './api.ts';
import { ROLES } from './account.ts';

const who = ({ may }: ApiRow): string =>
  may === 'anyone' ? 'anyone' : may === 'link' ? 'a link' : may.length === ROLES.length ? 'all' : may.join(', ');

/** A Markdown table of all routes, a line each. */
export const apiTable = (): string =>
  [
    '| route | who | sends | answers |',
    '|---|---|---|---|',
    ...Object.entries<ApiRow>(API).map(([key, row]) => {
      const [method, path] = key.split(' ');
      return `| \`${method} /api${path}\` | ${who(row)} | ${row.sends ?? ''} | ${row.answers} |`;
    }),
    '',
  ].join('\n');
