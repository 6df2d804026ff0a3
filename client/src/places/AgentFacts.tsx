// What an agent does, how long it takes, what it must never meet, and how sure that is.

import type { Agent } from '@mortisect/core/blades';
import type { Confidence } from '@mortisect/core/disorders';
import type { PlainKey } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../data/useSay';
import { Notice } from '../ui/Notice';
import { Body, Small } from '../ui/type';

/** How a value is known. */
export const SURE: Record<Confidence, PlainKey> = {
  high: 'shared.rememberedConfident',
  low: 'shared.rememberedUnsure',
  practice: 'shared.commonPracticeNoSource',
};

const EFFECT_WORDS = { good: 'good', weak: 'weak', none: 'none', unsure: 'unsure' } as const;

export function AgentFacts({ agent }: { agent: Agent }) {
  const say = useSay();
  const { bacteria, fungi, viruses } = agent.against;
  return (
    <View gap={8}>
      <Body>
        {say('shared.againstBacteriaFungiVirusesContactSBy', {
          effectWords: told(say, EFFECT_WORDS[bacteria]),
          effectWords2: told(say, EFFECT_WORDS[fungi]),
          effectWords3: told(say, EFFECT_WORDS[viruses]),
          contactSeconds: agent.contactSeconds,
          methods: agent.methods.map((each) => told(say, each)).join(', '),
          more: agent.corrodes ? say('shared.itCorrodes') : '',
          more2: agent.flammable ? say('shared.itBurns') : '',
        })}
      </Body>
      {agent.neverWith.length > 0 ? (
        <Notice
          kind="danger"
          title={say('shared.neverMixWith')}
        >{`${agent.neverWith.map((each) => told(say, each)).join('; ')}.`}</Notice>
      ) : null}
      <Notice kind="caution">
        {say('shared.theLabelAndTheSafetySheetRule', { protection: told(say, agent.protection) })}
      </Notice>
      <Small>{say('shared.source', { source: agent.source, sure: say(SURE[agent.confidence]) })}</Small>
    </View>
  );
}
