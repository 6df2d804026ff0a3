// A second opinion: the finding goes to another person's list, and its cut is held until they answer.

import { openQuestion } from '@mortisect/core/present';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { usePreferences } from '../../../data/preferences';
import { usePeople } from '../../../data/queries';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { useRecordAction } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { Field } from '../../../ui/Field';
import { Notice } from '../../../ui/Notice';
import { Select } from '../../../ui/Select';
import { Sheet } from '../../../ui/Sheet';
import { Body, Small } from '../../../ui/type';
import type { SeenSheetProps } from './seen';

export function AskSheet({ view, marking, open, onClose }: SeenSheetProps) {
  const say = useSay();
  const question = openQuestion(view.actions, marking.id);
  return (
    <Sheet title={say('round.askAnother')} open={open} onClose={onClose} closeLabel={say('shared.back')}>
      {question ? (
        <Answering view={view} question={question} onDone={onClose} />
      ) : (
        <Asking view={view} findingId={marking.id} onDone={onClose} />
      )}
    </Sheet>
  );
}

type View_ = SeenSheetProps['view'];

function Asking({ view, findingId, onDone }: { view: View_; findingId: string; onDone(): void }) {
  const say = useSay();
  const clock = useClock();
  const me = usePreferences((preferences) => preferences.person);
  const others = (usePeople().data?.people ?? []).filter((name) => name !== me);
  const [of, setOf] = useState('');
  const [question, setQuestion] = useState('');
  const { record } = useRecordAction();
  const asked = of || others[0] || '';
  if (others.length === 0) return <Body>{say('round.nobodyElseHasWorkedHereYetOpen')}</Body>;
  return (
    <View gap={12}>
      <Select
        label={say('round.who')}
        value={asked}
        options={others.map((name) => ({ value: name, label: name }))}
        onChange={setOf}
      />
      <Field
        label={say('round.question')}
        multiline
        value={question}
        onChangeText={(text) => setQuestion(text.slice(0, 500))}
      />
      <Small>{say('round.theySeeTheFindingAndItsPhotos')}</Small>
      <Button
        kind="main"
        onPress={() =>
          record(
            {
              kind: 'asked',
              at: clock(),
              treeId: view.tree.id,
              findingId,
              of: asked,
              question: question.trim(),
            },
            onDone,
          )
        }
      >
        {say('round.ask', { asked })}
      </Button>
    </View>
  );
}

interface AnsweringProps {
  view: View_;
  question: NonNullable<ReturnType<typeof openQuestion>>;
  onDone(): void;
}

function Answering({ view, question, onDone }: AnsweringProps) {
  const say = useSay();
  const clock = useClock();
  const { record } = useRecordAction();
  const [answer, setAnswer] = useState('');
  const { id, of, by, findingId } = question;
  return (
    <View gap={12}>
      <Notice kind="caution" title={say('round.asks', { by, of })}>
        {question.question || say('round.whatDoYouMakeOfThis')}
      </Notice>
      <Field
        label={say('round.answer')}
        multiline
        value={answer}
        onChangeText={(text) => setAnswer(text.slice(0, 500))}
      />
      <Button
        kind="main"
        disabled={answer.trim() === ''}
        onPress={() =>
          record(
            {
              kind: 'answered',
              at: clock(),
              treeId: view.tree.id,
              findingId,
              askedId: id,
              answer: answer.trim(),
            },
            onDone,
          )
        }
      >
        {say('round.answerAndFreeTheCut')}
      </Button>
      <Button onPress={() => record({ kind: 'undone', at: clock(), actionId: id }, onDone)}>
        {say('round.takeTheQuestionBack')}
      </Button>
    </View>
  );
}
