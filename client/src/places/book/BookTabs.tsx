// The parts of the Book.
import { View } from '@tamagui/core';
import { Link, usePathname } from 'expo-router';
import { Label } from '../../ui/type';

const PARTS = [
  ['/book', 'Log'],
  ['/book/rechecks', 'Rechecks'],
  ['/book/graft-wood', 'Graft wood'],
  ['/book/weather', 'Weather'],
  ['/book/reference', 'Reference'],
  ['/book/settings', 'Settings'],
] as const;

export function BookTabs() {
  const path = usePathname();
  return (
    <View render="nav" aria-label="Parts of the Book" flexDirection="row" gap={8} flexWrap="wrap">
      {PARTS.map(([to, name]) => {
        const here = path === to;
        return (
          <Link
            key={to}
            href={to}
            aria-current={here ? 'page' : undefined}
            style={{ textDecorationLine: 'none', display: 'flex' } as never}
          >
            <View
              minHeight={48}
              minWidth={48}
              paddingHorizontal={12}
              justifyContent="center"
              borderBottomWidth={4}
              borderStyle="solid"
              borderColor={here ? '$chalk' : 'transparent'}
            >
              <Label fontSize="$19" lineHeight="$19" color={here ? '$ink' : '$soft'}>
                {name}
              </Label>
            </View>
          </Link>
        );
      })}
    </View>
  );
}
