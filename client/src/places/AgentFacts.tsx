// What an agent does, how long it takes, what it must never meet, and how sure that is.
import type { Agent } from '@mortisect/core/blades';
import type { Confidence } from '@mortisect/core/disorders';
import { View } from '@tamagui/core';
import { Notice } from '../ui/Notice';
import { Body, Small } from '../ui/type';

/** How a value is known. */
export const SURE: Record<Confidence, string> = {
  high: 'remembered, confident',
  low: 'remembered, unsure',
  practice: 'common practice, no source',
};

const EFFECT_WORDS = { good: 'good', weak: 'weak', none: 'none', unsure: 'unsure' } as const;

export function AgentFacts({ agent }: { agent: Agent }) {
  const { bacteria, fungi, viruses } = agent.against;
  return (
    <View gap={8}>
      <Body>
        {`Against bacteria ${EFFECT_WORDS[bacteria]}, fungi ${EFFECT_WORDS[fungi]}, viruses ${EFFECT_WORDS[viruses]}. Contact ${agent.contactSeconds} s, by ${agent.methods.join(', ')}.${agent.corrodes ? ' It corrodes.' : ''}${agent.flammable ? ' It burns.' : ''}`}
      </Body>
      {agent.neverWith.length > 0 ? (
        <Notice kind="danger" title="Never mix with">
          {`${agent.neverWith.join('; ')}.`}
        </Notice>
      ) : null}
      <Notice kind="caution">{`${agent.protection} The label and the safety sheet rule. Rinse eyes for 15 minutes.`}</Notice>
      <Small>{`Source: ${agent.source} (${SURE[agent.confidence]}).`}</Small>
    </View>
  );
}
