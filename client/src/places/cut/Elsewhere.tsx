// The cut fell elsewhere. Wood does not come back: what was really cut goes on record, and the plan is solved again from what is there.

import { stillStands, treeAfter } from '@mortisect/core/cuts';
import { codeWhere } from '@mortisect/core/disorders';
import { typedLengthCm } from '@mortisect/core/measure';
import type { Blade, SiteToday, TreeView } from '@mortisect/core/present';
import { cutMade, findingAt, type RunItem } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { limbIn, tapeText } from '@mortisect/words/trade';
import { useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { newId, useRecordAction, useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Select } from '../../ui/Select';
import { Sheet } from '../../ui/Sheet';
import { Body } from '../../ui/type';

/** Bark that tore is noted as what broke. */
const BREAKAGE = codeWhere(({ hanging }) => hanging === true);

const whysIn = (say: Say) =>
  [
    { value: 'other place', label: say('cut.otherPlace') },
    { value: 'other limb', label: say('cut.otherLimb') },
    { value: 'bark tore', label: say('cut.barkTore') },
  ] as const;
type Why = ReturnType<typeof whysIn>[number]['value'];

interface ElsewhereProps {
  view: TreeView;
  item: RunItem;
  today: SiteToday;
  blade: Blade;
  open: boolean;
  onClose(): void;
}

export function Elsewhere({ view, item, today, blade, open, onClose }: ElsewhereProps) {
  const say = useSay();
  const clock = useClock();
  const recording = useRecordAction();
  const saving = useSaveFinding();
  const [why, setWhy] = useState<Why>('other place');
  const [limbId, setLimbId] = useState(item.limbId);
  const [at, setAt] = useState('');
  const [tornText, setTornText] = useState('');
  const limb = view.limbs.find((limb) => limb.id === (why === 'other limb' ? limbId : item.limbId));
  const typed = typedLengthCm(at, today.units);
  const atCm = 'cm' in typed && limb && typed.cm < limb.lengthCm ? typed.cm : null;
  const torn = typedLengthCm(tornText, today.units);
  const tornCm = 'cm' in torn && torn.cm > 0 ? torn.cm : null;
  const ready = atCm !== null && (why !== 'bark tore' || tornCm !== null);

  const record = () => {
    if (!limb || atCm === null) return;
    const placed = { limbId: limb.id, atCm, kind: atCm === 0 ? ('collar' as const) : ('heading' as const) };
    const after = treeAfter(view.limbs, [placed]);
    const gone = view.findings.filter((finding) => !stillStands(after, finding));
    const goneIds = gone.map((finding) => finding.id);
    // How far it fell short is told of what it was meant to answer, and of what it took
    const meant = { ...item, findingIds: [...new Set([...item.findingIds, ...goneIds])] };
    const asMade = cutMade(view, meant, placed, blade, clock(), today);
    const tear =
      why === 'bark tore' && tornCm !== null
        ? findingAt(
            view.detail,
            { limbId: limb.id, atCm },
            tornCm,
            { disorder: BREAKAGE, note: say('cut.seenOnTheCutFace'), seenAt: clock() },
            today,
          )
        : null;
    const findingId = newId();
    recording.record(
      {
        ...asMade,
        ...(tear && { marked: findingId }),
        findingIds: goneIds,
        disorders: [...new Set([...item.disorders, ...gone.map((finding) => finding.disorder)])],
        elsewhere: { why, plannedLimbId: item.limbId, plannedAtCm: item.atCm },
      },
      onClose,
    );
    if (tear) saving.mutate({ id: findingId, baseRevision: null, finding: tear });
  };
  return (
    <Sheet
      title={say('cut.whereDidYouCut')}
      open={open}
      onClose={onClose}
      closeLabel={say('shared.back')}
      actions={
        <Button grow kind="main" disabled={!ready || recording.isPending} onPress={record}>
          {say('shared.recordIt')}
        </Button>
      }
    >
      <Choice label={say('cut.whatHappened')} options={whysIn(say)} value={why} onChange={setWhy} />
      {why === 'other limb' ? (
        <Select
          label={say('cut.limbThatWasCut')}
          value={limbId}
          options={view.limbs.map(({ id }) => ({ value: id, label: limbIn(say, view.names.get(id) ?? id) }))}
          onChange={setLimbId}
        />
      ) : null}
      <Field
        label={say('cut.cutAtFromTheCollar', {
          more: today.units === 'us' ? say('shared.in') : say('shared.cm'),
        })}
        kind="decimal"
        value={at}
        onChangeText={setAt}
        fault={
          at !== '' && atCm === null
            ? say('cut.from0To', { tape: tapeText(say, limb?.lengthCm ?? 0, today.units, 'down') })
            : undefined
        }
        hint={say('cut.n0WhereTheWholeLimbIsGone')}
      />
      {why === 'bark tore' ? (
        <Field
          label={say('cut.tornDownBy', { more: today.units === 'us' ? say('shared.in') : say('shared.cm') })}
          kind="decimal"
          value={tornText}
          onChangeText={setTornText}
          hint={say('cut.theTearIsMarkedAsDamageTrim')}
        />
      ) : null}
      <Body>{say('cut.thePlanIsSolvedAgainFromWhat')}</Body>
      <Failed title={say('shared.notRecordedYet')} error={recording.error ?? saving.error} />
    </Sheet>
  );
}
