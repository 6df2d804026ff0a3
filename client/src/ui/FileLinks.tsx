// Files to be fetched, as links side by side.
import { View } from '@tamagui/core';
import { Label } from './type';

export function FileLinks({ links }: { links: [string, string][] }) {
  return (
    <View flexDirection="row" flexWrap="wrap" columnGap={20}>
      {links.map(([href, words]) => (
        <Label
          key={href}
          render="a"
          {...({ href, download: true } as object)}
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
