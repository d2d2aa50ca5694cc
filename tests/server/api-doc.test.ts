/** docs/api.md lists every route there is, and no other. */
import { readdirSync, readFileSync } from 'node:fs';
import { expect } from 'chai';

describe('docs/api.md', () => {
  it('lists the routes that the server has', () => {
    const code = readdirSync('server/routes').map((f) => readFileSync(`server/routes/${f}`, 'utf8'));
    const routes = code.flatMap((text) =>
      [...text.matchAll(/router\.(get|post|put|delete)\(\s*'([^']+)'/g)].map(
        ([, m, p]) => `${m?.toUpperCase()} /api${p}`,
      ),
    );
    const listed = [...readFileSync('docs/api.md', 'utf8').matchAll(/^\| `(GET|POST|PUT|DELETE) ([^`]+)`/gm)].map(
      ([, m, p]) => `${m} ${p}`,
    );
    expect(routes.length).to.be.greaterThan(20);
    expect(listed.filter((r) => r !== 'GET /api/health').sort()).to.deep.equal(routes.sort());
  });
});
