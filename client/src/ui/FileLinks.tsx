// Files to be fetched, as links side by side.
import { View } from '@tamagui/core';
import { inLanguage } from '../data/api';
import { useSay } from '../data/useSay';
import { Label } from './type';

/** @param links paths of the server, each with what it leads to; the files come in the language of this device */
export function FileLinks({ links }: { links: [string, string][] }) {
  const say = useSay();
  return (
    <View flexDirection="row" flexWrap="wrap" columnGap={20}>
      {links.map(([href, words]) => (
        <Label
          key={href}
          render="a"
          {...({ href: inLanguage(say, href), download: true } as object)}
          color="$chalk"
          minHeight={48}
          paddingVertical={12}
          style={{ textDecorationLine: 'underline' }}
        >
          {words}
        </Label>
      ))}
    </View>
  );
}
