/** What is said when the disk or the file under the salon fails: the truth about what was saved, and the way out. */
import Database from 'better-sqlite3';

interface DiskFault {
  readonly status: number;
  readonly message: string;
}

const FAULTS: readonly (readonly [code: RegExp, fault: DiskFault])[] = [
  [
    /^SQLITE_FULL|^SQLITE_IOERR_WRITE/,
    {
      status: 507,
      message:
        'The disk of the salon’s computer is full: this was not saved. Make room on it, and do it again; what was saved before is there.',
    },
  ],
  [
    /^SQLITE_READONLY|^SQLITE_CANTOPEN/,
    {
      status: 503,
      message:
        'The salon’s file can only be read at this moment: this was not saved. Give the program leave to write to its folder, and do it again.',
    },
  ],
  [
    /^SQLITE_BUSY|^SQLITE_LOCKED/,
    {
      status: 503,
      message: 'Another program holds the salon’s file: this was not saved. Close it, and do it again.',
    },
  ],
  [
    /^SQLITE_CORRUPT|^SQLITE_NOTADB/,
    {
      status: 503,
      message:
        'The salon’s file is damaged: this was not saved. End the program and start it again; it names the newest good backup and how to go back to it.',
    },
  ],
  [
    /^SQLITE_IOERR/,
    {
      status: 503,
      message:
        'The disk of the salon’s computer does not answer: this was not saved. Look at the disk, and do it again.',
    },
  ],
];

/** What to answer to a fault of the disk; undefined for faults of another kind. */
export function diskFault(problem: unknown): DiskFault | undefined {
  if (!(problem instanceof Database.SqliteError)) return undefined;
  return FAULTS.find(([code]) => code.test(problem.code))?.[1];
}
