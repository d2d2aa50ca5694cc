/**
 * npm run pictures: renews docs/screenshots. With --sheet WIDTHxHEIGHT it lays all rooms on contact sheets outside the
 * repository instead: --night, --contrast, --text large|largest, --room WORD (more than once), --out FOLDER.
 */
import { parseArgs } from 'node:util';
import { contactSheets } from './contact-sheets.ts';

const { values } = parseArgs({
  options: {
    sheet: { type: 'string' },
    night: { type: 'boolean', default: false },
    contrast: { type: 'boolean', default: false },
    text: { type: 'string', default: 'usual' },
    room: { type: 'string', multiple: true, default: [] },
    out: { type: 'string' },
  },
});

if (values.sheet === undefined) await import('./screenshots.ts');
else {
  const [, width, height] = /^(\d+)x(\d+)$/.exec(values.sheet) ?? [];
  if (!width || !height) throw new RangeError(`--sheet ${values.sheet} is no size: write 1280x800`);
  await contactSheets({ ...values, width: Number(width), height: Number(height), rooms: values.room });
}
