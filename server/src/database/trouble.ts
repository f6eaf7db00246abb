import { Problem } from '../problem';

/** The disk could not take what was to be stored. Nothing of it counts; the same can be tried again later. */
export class Trouble extends Problem {
  override name = 'Trouble';

  constructor(
    status: 503 | 507,
    sentence: string,
    override readonly cause: unknown,
  ) {
    super(status, sentence, { retryAfter: 5 });
  }
}

const NO_ROOM = 'There is no room left on the server’s disk. Nothing was changed here; try again once there is room.';
const NO_DISK = 'The server’s disk could not be written. Nothing was changed here; try again in a moment.';

const FULL = new Set(['SQLITE_FULL', 'ENOSPC', 'EDQUOT', 'SQLITE_IOERR_SHMSIZE']);
const BROKEN =
  /^(?:SQLITE_(?:IOERR|READONLY|CANTOPEN|CORRUPT|NOTADB|BUSY|LOCKED|PROTOCOL)(?:_\w+)?|EIO|EROFS|EMFILE|ENFILE)$/u;

/** The code of an error of SQLite or of the file system, also within the one that TypeORM wraps around it. */
const codeOf = (error: unknown): string => {
  const { code, driverError } = (error ?? {}) as { code?: unknown; driverError?: { code?: unknown } };
  return String(code ?? driverError?.code ?? '');
};

/** The sentence for an error that the disk caused; null when something else did. */
export function troubleOf(error: unknown): Trouble | null {
  if (error instanceof Trouble) return error;
  const code = codeOf(error);
  if (FULL.has(code)) return new Trouble(507, NO_ROOM, error);
  return BROKEN.test(code) ? new Trouble(503, NO_DISK, error) : null;
}
