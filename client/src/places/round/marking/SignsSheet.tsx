// Signs, place by place, and what they make likely. Looked for and absent is not the same as not looked.

import {
  type Causes,
  causes,
  OTHER,
  type Sign,
  type SignPlace,
  shows,
  signOf,
  signPlaces,
  signs,
} from '@mortisect/core/diagnosis';
import { disorderOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import type { SiteToday, TreeView } from '@mortisect/core/present';
import { sampleLabel } from '@mortisect/core/records';
import { speciesOf } from '@mortisect/core/register';
import type { PlainKey, Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { newId, useRecordAction } from '../../../data/writes';
import { SignPicture } from '../../../drawings/signs/SignPicture';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Notice } from '../../../ui/Notice';
import { Sheet } from '../../../ui/Sheet';
import { Body, Label, Section, Small, Strong } from '../../../ui/type';
import { LookAlikes } from '../../LookAlikes';
import { clinicWords } from '../../words';
import type { Marking } from './draft';
import type { SeenSheetProps } from './seen';

export function SignsSheet({ view, today, marking, onChange, open, onClose }: SeenSheetProps) {
  const say = useSay();
  const [place, setPlace] = useState<SignPlace>('bark');
  const causes = useCauses(view, today, marking);
  const answer = (code: string, to: 'present' | 'absent') => {
    const { [code]: before, ...rest } = marking.signs;
    onChange({ ...marking, signs: before === to ? rest : { ...rest, [code]: to } });
  };
  const listed = signs.filter((sign) => sign.place === place && shows(sign, today.season));
  return (
    <Sheet title={say('round.signsAndCauses')} open={open} onClose={onClose} closeLabel={say('shared.done')}>
      <LikelyCauses view={view} marking={marking} answer={causes} onChange={onChange} onAnswer={answer} />
      <View gap={8}>
        <Section>{say('round.signsByPlace')}</Section>
        <Choice
          label={say('round.place')}
          layout="wrap"
          options={signPlaces.map((value) => ({ value, label: placeLabel(say, value, marking) }))}
          value={place}
          onChange={setPlace}
        />
        {listed.map((sign) => (
          <SignRow key={sign.code} sign={sign} answer={marking.signs[sign.code]} onAnswer={answer} />
        ))}
        {listed.length === 0 ? <Small>{say('round.nothingToJudgeHereInThisSeason')}</Small> : null}
      </View>
    </Sheet>
  );
}

function placeLabel(say: Say, place: SignPlace, { signs: answered }: Marking): string {
  const count = Object.keys(answered).filter((code) => signOf(code)?.place === place).length;
  const name = upperFirst(told(say, place));
  return count === 0 ? name : `${name} ${count}`;
}

/** null where causes are not computed for the species, or nothing was looked for yet. */
function useCauses(
  { tree, actions }: TreeView,
  { season, site }: SiteToday,
  { id, signs: answers }: Marking,
): Causes | null {
  const host = speciesOf(tree.species)?.host ?? null;
  const { absentHere } = site;
  return useMemo(() => {
    const clinic = actions.flatMap(({ action, undone }) =>
      action.kind === 'sampleAnswered' && !undone && action.findingId === id ? [action.evidence] : [],
    );
    if (!host || (Object.keys(answers).length === 0 && clinic.length === 0)) return null;
    return causes({ host, season, answers, absentHere, clinic });
  }, [host, season, absentHere, actions, id, answers]);
}

function SignRow({
  sign,
  answer,
  onAnswer,
}: {
  sign: Sign;
  answer: 'present' | 'absent' | undefined;
  onAnswer(code: string, to: 'present' | 'absent'): void;
}) {
  const say = useSay();
  return (
    <View
      role="group"
      aria-label={told(say, sign.label)}
      flexDirection="row"
      gap={12}
      paddingVertical={8}
      borderBottomWidth={1}
      borderStyle="solid"
      borderColor="$rule"
    >
      <SignPicture code={sign.code} label={told(say, sign.label)} />
      <View flex={1} minWidth={0} gap={8} justifyContent="space-between">
        <Body>{told(say, sign.label)}</Body>
        <View flexDirection="row" gap={8}>
          <Toggle
            on={answer === 'present'}
            onPress={() => onAnswer(sign.code, 'present')}
            word={say('shared.seen')}
          />
          <Toggle
            on={answer === 'absent'}
            onPress={() => onAnswer(sign.code, 'absent')}
            word={say('round.absent')}
          />
        </View>
      </View>
    </View>
  );
}

function Toggle({ on, word, onPress }: { on: boolean; word: string; onPress(): void }) {
  return (
    <Button
      aria-pressed={on}
      onPress={onPress}
      paddingHorizontal={10}
      minWidth={68}
      borderColor={on ? '$chalk' : '$soft'}
      borderWidth={on ? 2.4 : 1}
      backgroundColor={on ? '$paper' : 'transparent'}
    >
      {word}
    </Button>
  );
}

interface LikelyProps {
  view: TreeView;
  marking: Marking;
  answer: Causes | null;
  onChange(marking: Marking): void;
  onAnswer(code: string, to: 'present' | 'absent'): void;
}

function LikelyCauses({ view, marking, answer, onChange, onAnswer }: LikelyProps) {
  const say = useSay();
  const species = speciesOf(view.tree.species);
  if (!species?.host) {
    return (
      <Notice
        kind="said"
        title={say('round.causesAreNotComputedFor', {
          species: told(say, species?.name)?.toLowerCase() ?? say('round.thisSpecies'),
        })}
      >
        {say('round.mortisectStillKeepsWhatYouSeeWith', {
          guide: told(say, species?.guide) ?? say('round.itIsNotInTheTables'),
        })}
      </Notice>
    );
  }
  if (!answer) return <Body>{say('round.sayWhatYouSeeAndWhatYou')}</Body>;
  const first = answer.groups[0];
  if (!first) return null;
  const next = answer.next[0];
  const nextSign = next && signOf(next.sign);
  return (
    <View gap={12}>
      <View borderLeftWidth={5} borderColor="$plum" borderStyle="solid" paddingLeft={12} gap={4}>
        <Strong>{headline(say, answer)}</Strong>
        <Small>{told(say, first.treatment)}</Small>
        {answer.causes
          .slice(0, 3)
          .filter((cause) => cause.code !== OTHER)
          .map((cause, i) => (
            <CauseRow
              key={cause.code}
              code={cause.code}
              place={i}
              chosen={marking.disorder === cause.code}
              onTake={() => onChange({ ...marking, disorder: cause.code })}
            />
          ))}
        <Small>
          {say('round.fromTheSignsOnInThisSeason', { species: told(say, species.name).toLowerCase() })}
        </Small>
      </View>
      {nextSign ? (
        <View gap={4}>
          <Label>{say('round.checkNext')}</Label>
          <SignRow sign={nextSign} answer={undefined} onAnswer={onAnswer} />
        </View>
      ) : null}
      <FoldedLookAlikes code={answer.causes.find((cause) => cause.code !== OTHER)?.code ?? ''} />
      <Clinic view={view} marking={marking} advice={answer.sample} />
    </View>
  );
}

function headline(say: Say, { groups, strength }: Causes): string {
  const [first, second] = groups;
  if (!first) return '';
  if (strength === 'likely') return say('round.mostLikely', { first: told(say, first.name).toLowerCase() });
  if (strength === 'possible') return say('round.possibly', { first: told(say, first.name).toLowerCase() });
  return say('round.cantTellApartYet', {
    first: told(say, first.name).toLowerCase(),
    more: second ? say('round.or', { second: told(say, second.name).toLowerCase() }) : '',
  });
}

function CauseRow({
  code,
  place,
  chosen,
  onTake,
}: {
  code: string;
  /** From 0, the likeliest first. */
  place: number;
  chosen: boolean;
  onTake(): void;
}) {
  const say = useSay();
  const name = told(say, disorderOf(code)?.name) ?? code;
  return (
    <View flexDirection="row" alignItems="center" gap={8}>
      <Body flex={1} minWidth={0}>
        {`${name} `}
        <Small>{say('round.rank', { rank: place + 1 })}</Small>
      </Body>
      {chosen ? (
        <Small>{say('round.taken')}</Small>
      ) : (
        <Button kind="quiet" onPress={onTake} aria-label={say('shared.take', { name })}>
          {say('round.take')}
        </Button>
      )}
    </View>
  );
}

function FoldedLookAlikes({ code }: { code: string }) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  if (!open) {
    return (
      <View flexDirection="row">
        <Button kind="quiet" paddingHorizontal={0} onPress={() => setOpen(true)}>
          {say('round.lookAlikesOf', {
            disorderOf: told(say, disorderOf(code)?.name)?.toLowerCase() ?? say('round.it'),
          })}
        </Button>
      </View>
    );
  }
  return <LookAlikes code={code} />;
}

const ADVICE: Record<Causes['sample'], PlainKey> = {
  no: 'round.aPlantClinicCanStillBeAsked',
  unclear: 'round.lookingFurtherTellsLittleSendASample',
  'treatments differ': 'round.twoCausesThatAskForDifferentTreatment',
};

function Clinic({ view, marking, advice }: { view: TreeView; marking: Marking; advice: Causes['sample'] }) {
  const say = useSay();
  const clock = useClock();
  const { record } = useRecordAction();
  const sent = view.actions.findLast(
    ({ action, undone }) => !undone && action.kind === 'sampleSent' && action.findingId === marking.id,
  );
  const answered = view.actions.findLast(
    ({ action }) => action.kind === 'sampleAnswered' && action.sampleId === sent?.id,
  );
  if (sent?.action.kind === 'sampleSent') {
    const { label } = sent.action;
    const evidence = answered?.action.kind === 'sampleAnswered' ? answered.action.evidence : null;
    return (
      <Notice kind="said" title={say('round.sample', { label })}>
        {evidence
          ? say('round.theClinicIsSimulatedItFindsOf', {
              clinic: upperFirst(clinicWords(say, evidence.result)),
              sensitivity: Math.round(evidence.sensitivity * 100),
            })
          : say('round.sentTheSimulatedClinicAnswersInAbout')}
      </Notice>
    );
  }
  return (
    <Notice
      kind={advice === 'no' ? 'said' : 'caution'}
      title={say('round.sampleAndPlantClinic')}
      action={
        marking.baseRevision === null ? undefined : (
          <View flexDirection="row">
            <Button
              onPress={() =>
                record({
                  kind: 'sampleSent',
                  at: clock(),
                  treeId: view.tree.id,
                  findingId: marking.id,
                  label: sampleLabel(newId()),
                })
              }
            >
              {say('round.sendASample')}
            </Button>
          </View>
        )
      }
    >{`${say(ADVICE[advice])} ${marking.baseRevision === null ? say('round.saveTheFindingFirst') : say('round.bagAPieceAcrossTheEdgeOf')}`}</Notice>
  );
}
