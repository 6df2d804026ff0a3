// The safe copies of the server: when the last good one was made, where they lie, and one more now.
import type { Copies } from '@mortisect/contracts';
import { View } from '@tamagui/core';
import { ago, shortMoment } from '../../data/moment';
import { useCopies } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useMakeCopy } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Section, Small } from '../../ui/type';
import { bytesWords } from '../words';
import { Folded } from './Folded';

export function SafeCopies({ timeZone }: { timeZone: string }) {
  const { data: copies, error } = useCopies();
  const making = useMakeCopy();
  return (
    <View gap={12}>
      <Section>Safe copies</Section>
      {copies ? <Trouble copies={copies} timeZone={timeZone} /> : null}
      {copies ? (
        <Told copies={copies} timeZone={timeZone} />
      ) : (
        <Body role="status">{error ? 'The server must be there to tell.' : 'Asking the server …'}</Body>
      )}
      <Failed title="No copy was made" error={making.error} />
      {copies?.folder ? (
        <Button disabled={making.isPending} onPress={() => making.mutate()}>
          {making.isPending ? 'Making a copy …' : 'Make a copy now'}
        </Button>
      ) : null}
    </View>
  );
}

/** What is wrong with the database itself, and what to do. */
function Trouble({ copies: { database, folder, kept }, timeZone }: { copies: Copies; timeZone: string }) {
  const [last] = kept;
  const { damage, isReadOnly } = database;
  const todo = last
    ? `Stop the server, keep its data folder as it is, and bring the last good copy, of ${shortMoment(last.madeAt, timeZone)}, into a new one: npm run restore -- ${folder}/${last.name} --data NEW-FOLDER`
    : 'There is no good copy here: save the archive now and look for a copy elsewhere. Then stop the server and keep its data folder as it is.';
  return (
    <>
      {damage ? (
        <Notice kind="caution" title={DAMAGED}>
          {`Found ${shortMoment(damage.seenAt, timeZone)}: ${damage.what}. The disk of the server may be failing. ${todo}`}
        </Notice>
      ) : null}
      {isReadOnly ? (
        <Notice kind="caution" title={READ_ONLY}>
          What is there can be read. What is recorded now waits on each device and goes out by itself once the
          disk takes it. Whoever looks after the server must see to its disk.
        </Notice>
      ) : null}
    </>
  );
}

function Told({ copies, timeZone }: { copies: Copies; timeZone: string }) {
  const clock = useClock();
  const [last] = copies.kept;
  if (copies.folder === null)
    return (
      <Notice kind="caution" title="No copies are made">
        This server was started without a folder for copies. Save the archive yourself now and then.
      </Notice>
    );
  const lastWords = last
    ? `The last good copy was made ${ago(last.madeAt, clock())}: ${shortMoment(last.madeAt, timeZone)}, ${bytesWords(last.bytes)}.`
    : 'There is no copy yet. The server makes the first one a minute after it starts.';
  return (
    <>
      {copies.isOld ? (
        <Notice kind="caution" title={oldWords(copies)}>
          {lastWords}
        </Notice>
      ) : (
        <Body>{lastWords}</Body>
      )}
      {copies.failed ? (
        <Notice kind="caution" title={`The try of ${shortMoment(copies.failed.at, timeZone)} failed`}>
          {copies.failed.why}
        </Notice>
      ) : null}
      <Small>
        {`Everything is in it: history, weather, photos, settings. The server makes one a day, reads it back and keeps those of fourteen days in ${copies.folder} on its machine. Take one to another machine now and then.`}
      </Small>
      {copies.kept.length > 1 ? (
        <Folded title={`All copies (${copies.kept.length})`}>
          {copies.kept.map(({ name, madeAt, bytes }) => (
            <Small key={name}>{`${shortMoment(madeAt, timeZone)}, ${bytesWords(bytes)}`}</Small>
          ))}
        </Folded>
      ) : null}
    </>
  );
}

export const DAMAGED = 'The database is damaged';
export const READ_ONLY = 'The disk of the server takes nothing';

/** What Today and Settings say of a copy that is old. */
export const oldWords = ({ kept }: Copies) =>
  kept.length === 0 ? 'There is no safe copy' : 'The last safe copy is old';
