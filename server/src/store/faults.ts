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
