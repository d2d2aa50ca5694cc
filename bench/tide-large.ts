/** Relearns a thousand dogs in a process of its own and prints what that took, as JSON. */
import { ended } from '../core/quantity/index.ts';
import { learnBook } from '../core/tide/index.ts';
import { studyBook } from './tide.ts';

const book = studyBook(1000);
const before = process.cpuUsage();
ended(learnBook(book));
const { user, system } = process.cpuUsage(before);
const { maxRSS } = process.resourceUsage();
console.log(JSON.stringify({ seconds: (user + system) / 1e6, mb: maxRSS / 1024 }));
