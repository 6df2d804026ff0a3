// What is easily taken for a cause, drawn side by side with it, and which check tells them apart.
import { lookAlikesOf, lookOf, signOf, tellingSign } from '@mortisect/core/diagnosis';
import { disorderOf } from '@mortisect/core/disorders';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import type { ReactNode } from 'react';
import { useSay } from '../data/useSay';
import { SignPicture } from '../drawings/signs/SignPicture';
import { Label, Small } from '../ui/type';

export function LookAlikes({ code }: { code: string }) {
  const say = useSay();
  const sign = signOf(tellingSign(code) ?? '');
  const name = told(say, disorderOf(code)?.name ?? code);
  return (
    <View gap={8}>
      <View role="list" aria-label={say('shared.lookAlikes')} flexDirection="row" flexWrap="wrap" gap={12}>
        {sign ? (
          <Card picture={sign.code} name={name} isCause>
            <Small>{told(say, sign.label)}</Small>
          </Card>
        ) : null}
        {lookAlikesOf(code).map((alike) => (
          <Card key={alike.name} picture={lookOf(alike.name)} name={told(say, alike.name)}>
            {alike.harmless ? <Small color="$leaf">{say('shared.harmless')}</Small> : null}
            <Small>{told(say, alike.check)}</Small>
          </Card>
        ))}
      </View>
      <Small>{say('shared.drawingsVary')}</Small>
    </View>
  );
}

interface CardProps {
  picture: string | null;
  name: string;
  /** The cause itself, beside what it is taken for. */
  isCause?: boolean;
  children: ReactNode;
}

function Card({ picture, name, isCause = false, children }: CardProps) {
  return (
    <View
      role="listitem"
      width={152}
      gap={4}
      paddingTop={8}
      borderTopWidth={isCause ? 4 : 1}
      borderStyle="solid"
      borderColor={isCause ? '$plum' : '$rule'}
    >
      {picture ? <SignPicture code={picture} label={name} width={152} /> : null}
      <Label>{name}</Label>
      {children}
    </View>
  );
}
