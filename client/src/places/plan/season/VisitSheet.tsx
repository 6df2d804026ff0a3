// What somebody says of one visit: on these days, by this crew, not before a day, or not this season; and the way to the plan of its tree.
import type { SeasonPlan } from '@mortisect/contracts';
import type { VisitWish } from '@mortisect/core/campaign';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { dayWords } from '../../../data/moment';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { useRecordAction } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Failed } from '../../../ui/Failed';
import { Field } from '../../../ui/Field';
import { Select } from '../../../ui/Select';
import { Sheet } from '../../../ui/Sheet';
import { Body, Small } from '../../../ui/type';
import { VISIT_WORDS } from '../../words';
import { aboutMoved, aboutWords, type Shared, slotWords, waitsWords, wishOf } from './season';

const ANY = '';
const SAYINGS = ['open', 'fixed', 'not before', 'left'] as const;

/** A visit that somebody looks at: on its days, left, or left on purpose. */
export interface Opened {
  visitId: string;
  treeId: string;
  /** Its tree, and what is done at it. */
  title: string;
  /** Where it stands, in words. */
  stands: string;
  must: boolean;
  wish: VisitWish | null;
}

interface VisitSheetProps {
  opened: Opened;
  shared: Shared;
  crews: SeasonPlan['crews'];
  onClose(): void;
}

export function VisitSheet({
  opened: { visitId, treeId, title, stands, must, wish },
  shared,
  crews,
  onClose,
}: VisitSheetProps) {
  const say = useSay();
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const before = wish ?? ({ is: 'open' } as const);
  const [is, setIs] = useState<VisitWish['is']>(before.is);
  const [slotId, setSlotId] = useState(() => slotOf(shared, before));
  const [crewId, setCrewId] = useState(before.is === 'fixed' ? (before.crewId ?? ANY) : ANY);
  const [day, setDay] = useState(before.is === 'not before' ? before.day : (shared.slots.at(-1)?.from ?? ''));
  const [reason, setReason] = useState(before.is === 'left' ? before.reason : '');
  const [isTried, setTried] = useState(false);
  const until = shared.slots.at(-1)?.to ?? '';
  const chosen = (): VisitWish | null => {
    if (is === 'open') return { is };
    if (is === 'not before') return { is, day };
    if (is === 'left') return reason.trim() === '' ? null : { is, until, reason: reason.trim() };
    const slot = shared.slots.find(({ id }) => id === slotId);
    if (!slot && crewId === ANY) return null;
    const { from = null, to = null, half = null } = slot ?? {};
    return { is, from, to, half, crewId: crewId === ANY ? null : crewId };
  };
  const save = () => {
    setTried(true);
    const said = chosen();
    if (!said) return;
    if (JSON.stringify(said) === JSON.stringify(before)) return onClose();
    recording.record(
      { kind: 'visitWished', at: clock(), ...wishOf({ treeId, visitId }), wish: said },
      onClose,
    );
  };
  const waits = waitsWords(say, shared, visitId);
  const wanted = chosen();
  const about =
    wanted?.is === 'fixed' ? aboutWords(say, aboutMoved({ shared, crews }, [visitId], wanted)) : '';
  const days = [...new Map(shared.slots.map((slot) => [slot.from, slot])).values()];
  return (
    <Sheet
      title={title}
      open
      onClose={onClose}
      actions={
        <Button grow kind="main" disabled={recording.isPending} onPress={save}>
          {say('plan.saveWhatYouSaid')}
        </Button>
      }
    >
      <Body>{stands}</Body>
      {waits ? <Body>{waits}</Body> : null}
      {must ? <Body color="$kerfText">{say('plan.itCannotWait')}</Body> : null}
      <Choice
        label={say('plan.whatYouSayOfIt')}
        layout="wrap"
        options={SAYINGS.map((value) => ({ value, label: say(VISIT_WORDS[value]) }))}
        value={is}
        onChange={setIs}
      />
      {is === 'fixed' ? (
        <>
          <Select
            label={say('plan.onWhichDays')}
            value={slotId}
            options={[
              { value: ANY, label: say('plan.onAnyDay') },
              ...shared.slots.map((slot) => ({ value: slot.id, label: slotWords(say, slot) })),
            ]}
            onChange={setSlotId}
          />
          <Select
            label={say('plan.whoDoesIt')}
            value={crewId}
            options={[
              { value: ANY, label: say('plan.anyCrew') },
              ...crews.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={setCrewId}
          />
          {about ? <Body>{about}</Body> : null}
          {isTried && chosen() === null ? (
            <Body color="$ochreText" role="alert">
              {say('fault.nothingFixed')}
            </Body>
          ) : null}
        </>
      ) : null}
      {is === 'not before' ? (
        <Select
          label={say('shared.visitNotBefore')}
          value={day}
          options={days.map(({ from }) => ({ value: from, label: dayWords(from) }))}
          onChange={setDay}
        />
      ) : null}
      {is === 'left' ? (
        <>
          <Field
            label={say('plan.whyItIsLeft')}
            value={reason}
            onChangeText={setReason}
            fault={isTried && chosen() === null ? say('plan.sayWhyItIsLeft') : undefined}
          />
          <Small>{say('plan.itComesUpAgainAfter', { day: dayWords(until) })}</Small>
        </>
      ) : null}
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <Button kind="quiet" onPress={() => router.navigate(`/plan/${treeId}`)}>
        {say('plan.openThePlanOfTheTree')}
      </Button>
    </Sheet>
  );
}

/** The half-day or week that was said; any where it is not one of them. */
function slotOf({ slots }: Shared, wish: VisitWish): string {
  if (wish.is !== 'fixed') return ANY;
  const same = slots.find(({ from, to, half }) => from === wish.from && to === wish.to && half === wish.half);
  const within = slots.find(({ from, to }) => wish.from !== null && from <= wish.from && wish.from <= to);
  return (same ?? within)?.id ?? ANY;
}
