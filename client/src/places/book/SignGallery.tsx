// Every sign that can be looked for, place by place, with its drawing.
import { signPlaces, signs } from '@mortisect/core/diagnosis';
import { upperFirst } from '@mortisect/core/measure';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { SignPicture } from '../../drawings/signs/SignPicture';
import { Label, Small } from '../../ui/type';

export function SignGallery() {
  const say = useSay();
  return (
    <View gap={16}>
      {signPlaces.map((place) => (
        <View key={place} gap={8}>
          <Label fontSize="$19">{upperFirst(told(say, place))}</Label>
          <View role="list" flexDirection="row" flexWrap="wrap" gap={12}>
            {signs
              .filter((sign) => sign.place === place)
              .map(({ code, label }) => (
                <View key={code} role="listitem" width={152} gap={4}>
                  <SignPicture code={code} label={told(say, label)} width={152} />
                  <Small color="$ink">{told(say, label)}</Small>
                </View>
              ))}
          </View>
        </View>
      ))}
      <Small>{say('shared.drawingsVary')}</Small>
    </View>
  );
}
