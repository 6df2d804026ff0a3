// What went wrong below: told by what caused an error, however it was wrapped on its way.

/** Connections that PostgreSQL ended or never took. @source PostgreSQL documentation, appendix A: classes 08, 53 and 57P */
const AWAY = /^(08...|53300|57P0[1-5]|ECONNREFUSED|ECONNRESET|EPIPE|ENOTFOUND|ETIMEDOUT)$/;
const ENDED = /connection (was )?terminated|timeout exceeded when trying to connect/i;

export const isAway = (error: unknown) =>
  causedBy(error, ({ code, message }) => AWAY.test(code) || ENDED.test(message));

/** No room on the disk, said by the system or by PostgreSQL. @source PostgreSQL documentation, appendix A: 53100 */
const FULL = /^(ENOSPC|EDQUOT|EFBIG|53100)$/;
const NO_ROOM = /no space left on device/i;

export const isFull = (error: unknown) =>
  causedBy(error, ({ code, message }) => FULL.test(code) || NO_ROOM.test(message));

/** Said by the system, or by a database that is only read. @source PostgreSQL documentation, appendix A: 25006 */
export const isReadOnly = (error: unknown) => causedBy(error, ({ code }) => /^(EROFS|25006)$/.test(code));

/** Of what is only noted by the way: it may go unwritten, and must not keep anybody from reading. */
export async function whereItCan(noting: PromiseLike<unknown>): Promise<void> {
  try {
    await noting;
  } catch (error) {
    if (!isReadOnly(error)) throw error;
  }
}

/** What the database could not write of what it holds in memory, and will not be able to. @source PostgreSQL documentation, appendix A: 42501, 58030; src/backend/utils/error/elog.c: errcode_for_file_access */
const UNWRITTEN =
  /^could not (write|flush|fsync|extend|create|open|rename|remove)\b.*(read-only file system|i\/o error)/i;

export const isUnwritten = (error: unknown) =>
  causedBy(error, ({ code, message }) => /^(42501|58030)$/.test(code) && UNWRITTEN.test(message));

/** Pages that are not what was written. @source PostgreSQL documentation, appendix A: XX001, XX002 */
export const isDamaged = (error: unknown) => causedBy(error, ({ code }) => /^XX00[12]$/.test(code));

/** Two wrote at once: whoever comes second sees what the first wrote when they try again. @source PostgreSQL documentation, appendix A: 23505, 40001, 40P01 */
const AT_ONCE = /^(23505|40001|40P01)$/;

export const isAtOnce = (error: unknown) => causedBy(error, ({ code }) => AT_ONCE.test(code));

function causedBy(error: unknown, is: (cause: { code: string; message: string }) => boolean): boolean {
  for (let next = error; next instanceof Error; next = next.cause) {
    const { code } = next as { code?: unknown };
    if (is({ code: typeof code === 'string' ? code : '', message: next.message })) return true;
  }
  return false;
}
