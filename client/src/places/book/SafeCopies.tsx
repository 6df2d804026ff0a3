// The safe copies of the server: when the last good one was made, where they lie, and one more now.

import type { Copies } from '@mortisect/contracts';
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { ago, shortMoment } from '../../data/moment';
import { useCopies } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useMakeCopy } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Section, Small } from '../../ui/type';
import { bytesWords } from '../words';
import { Folded } from './Folded';

export function SafeCopies({ timeZone }: { timeZone: string }) {
  const say = useSay();
  const { data: copies, error } = useCopies();
  const making = useMakeCopy();
  return (
    <View gap={12}>
      <Section>{say('shared.safeCopies')}</Section>
      {copies ? <Trouble copies={copies} timeZone={timeZone} /> : null}
      {copies ? (
        <Told copies={copies} timeZone={timeZone} />
      ) : (
        <Body role="status">
          {error ? say('shared.theServerMustBeThereToTell') : say('shared.askingTheServer')}
        </Body>
      )}
      <Failed title={say('shared.noCopyWasMade')} error={making.error} />
      {copies?.folder ? (
        <Button disabled={making.isPending} onPress={() => making.mutate()}>
          {making.isPending ? say('shared.makingACopy') : say('shared.makeACopyNow')}
        </Button>
      ) : null}
    </View>
  );
}

/** What is wrong with the database itself, and what to do. */
function Trouble({ copies: { database, folder, kept }, timeZone }: { copies: Copies; timeZone: string }) {
  const say = useSay();
  const [last] = kept;
  const { damage, isReadOnly } = database;
  const todo = last
    ? say('shared.stopTheServerKeepItsDataFolder', {
        shortMoment: shortMoment(last.madeAt, timeZone),
        folder: folder ?? '',
        last: last.name,
      })
    : say('shared.thereIsNoGoodCopyHereSave');
  return (
    <>
      {damage ? (
        <Notice kind="caution" title={say('shared.theDatabaseIsDamaged')}>
          {say('shared.foundTheDiskOfTheServerMay', {
            shortMoment: shortMoment(damage.seenAt, timeZone),
            what: damage.what,
            todo,
          })}
        </Notice>
      ) : null}
      {isReadOnly ? (
        <Notice kind="caution" title={say('shared.theDiskOfTheServerTakesNothing')}>
          {say('shared.whatIsThereCanBeReadWhat')}
        </Notice>
      ) : null}
    </>
  );
}

function Told({ copies, timeZone }: { copies: Copies; timeZone: string }) {
  const say = useSay();
  const clock = useClock();
  const [last] = copies.kept;
  if (copies.folder === null)
    return (
      <Notice kind="caution" title={say('shared.noCopiesAreMade')}>
        {say('shared.thisServerWasStartedWithoutAFolder')}
      </Notice>
    );
  const lastWords = last
    ? say('shared.theLastGoodCopyWasMade', {
        ago: ago(last.madeAt, clock()),
        shortMoment: shortMoment(last.madeAt, timeZone),
        bytes: bytesWords(say, last.bytes),
      })
    : say('shared.thereIsNoCopyYetTheServer');
  return (
    <>
      {copies.isOld ? (
        <Notice kind="caution" title={oldWords(say, copies)}>
          {lastWords}
        </Notice>
      ) : (
        <Body>{lastWords}</Body>
      )}
      {copies.failed ? (
        <Notice
          kind="caution"
          title={say('shared.theTryOfFailed', { shortMoment: shortMoment(copies.failed.at, timeZone) })}
        >
          {copies.failed.why}
        </Notice>
      ) : null}
      <Small>{say('shared.everythingIsInItHistoryWeatherPhotos', { folder: copies.folder })}</Small>
      {copies.kept.length > 1 ? (
        <Folded title={say('shared.allCopies', { kept: copies.kept.length })}>
          {copies.kept.map(({ name, madeAt, bytes }) => (
            <Small key={name}>{`${shortMoment(madeAt, timeZone)}, ${bytesWords(say, bytes)}`}</Small>
          ))}
        </Folded>
      ) : null}
    </>
  );
}

/** What Today and Settings say of a copy that is old. */
export const oldWords = (say: Say, { kept }: Copies) =>
  kept.length === 0 ? say('shared.thereIsNoSafeCopy') : say('shared.theLastSafeCopyIsOld');
