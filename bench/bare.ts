/** The reference of the load figures: bare Express over the same file and the same statements, and nothing else. */
import express from 'express';
import Database from 'better-sqlite3';
import { checkStore } from '../server/db/checks.ts';

const db = new Database(process.argv[2] ?? '', { readonly: true });
const checks = checkStore(db);
const app = express();
app.get('/api/checks/:id', (req, res) => {
  res.json(checks.find(String(req.params.id)));
});
const server = app.listen(0, '127.0.0.1', () => {
  const address = server.address();
  if (address && typeof address === 'object') process.send?.(address.port);
});
process.on('disconnect', () => process.exit(0));
