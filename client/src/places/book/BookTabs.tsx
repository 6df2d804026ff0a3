// The parts of the Book.
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { Link, usePathname } from 'expo-router';
import { useSay } from '../../data/useSay';
import { Label } from '../../ui/type';

const partsIn = (say: Say) =>
  [
    ['/book', say('book.log')],
    ['/book/rechecks', say('book.rechecks')],
    ['/book/graft-wood', say('book.graftWood')],
    ['/book/weather', say('shared.weather')],
    ['/book/reference', say('book.reference')],
    ['/book/settings', say('book.settings')],
  ] as const;

export function BookTabs() {
  const say = useSay();
  const path = usePathname();
  return (
    <View render="nav" aria-label={say('book.partsOfTheBook')} flexDirection="row" gap={8} flexWrap="wrap">
      {partsIn(say).map(([to, name]) => {
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
