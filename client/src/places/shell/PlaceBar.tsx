// The five places: a bar under the thumb on a phone, a rail at the left on a wide screen.

import { View } from '@tamagui/core';
import { Link, usePathname } from 'expo-router';
import Svg, { Path } from 'react-native-svg';
import { readWordsAhead } from '../../data/catalogues';
import { readForLists } from '../../data/ofLists';
import { useSay } from '../../data/useSay';
import { usePalette, useWide } from '../../ui/theme';
import { Label } from '../../ui/type';
import { type PlaceId, type PlacePath, placeOf, places } from './places';

const ICONS: Record<PlaceId, string> = {
  today: 'M3 13H21M6 17H18M9 21H15M7 13a5 5 0 0 1 10 0M12 3V5.5M4.5 6L6.3 7.8M19.5 6L17.7 7.8',
  round: 'M12 3a9 9 0 1 0 0.01 0ZM12 12V3M12 12L19.5 16.5M12 12L4.5 16.5',
  plan: 'M2 8H22V16H2ZM6 8V12M10 8V11M14 8V12M18 8V11',
  cut: 'M2 12H8M16 12H22M9 18L12 6M13 18L16 6',
  book: 'M5 3H19V21H5ZM8.5 3V21M12 8H16',
};

/** Reads the first page of a place; nothing for what is there from the start. */
export type PagesOfPlaces = Partial<Record<PlaceId, () => Promise<unknown>>>;

export function PlaceBar({ pages }: { pages: PagesOfPlaces }) {
  const say = useSay();
  const wide = useWide();
  const path = usePathname();
  return (
    <View
      render="nav"
      aria-label={say('shared.places')}
      flexDirection={wide ? 'column' : 'row'}
      gap={wide ? 12 : 0}
      width={wide ? 84 : undefined}
      paddingTop={wide ? 20 : 0}
      backgroundColor="$paper"
      borderStyle="solid"
      borderColor="$ink"
      borderTopWidth={wide ? 0 : 1.5}
      borderRightWidth={wide ? 1.5 : 0}
      style={{ paddingBottom: 'env(safe-area-inset-bottom)' }}
    >
      {places.map(({ id, path: to, name }) => (
        <PlaceLink
          key={id}
          {...{ id, path: to, name: say(name), here: placeOf(path).id === id, wide }}
          onPressIn={() => readAhead(id, pages)}
        />
      ))}
    </View>
  );
}

/** Places whose first page is a list of trees with their plans. */
const LISTS: readonly PlaceId[] = ['today', 'plan', 'cut'];

/** A page that cannot be had is told of where it is opened. */
function readAhead(id: PlaceId, pages: PagesOfPlaces): void {
  readWordsAhead([id]);
  if (LISTS.includes(id)) readForLists();
  pages[id]?.().catch(() => undefined);
}

function PlaceLink({
  id,
  path,
  name,
  here,
  wide,
  onPressIn,
}: {
  id: PlaceId;
  path: PlacePath;
  name: string;
  here: boolean;
  wide: boolean;
  onPressIn(): void;
}) {
  const { ink, soft, kerf } = usePalette();
  return (
    <Link
      href={path}
      aria-current={here ? 'page' : undefined}
      style={
        {
          flex: wide ? undefined : 1,
          minWidth: 0,
          display: 'flex',
          textDecorationLine: 'none',
          justifyContent: 'center',
        } as never
      }
    >
      <View
        alignItems="center"
        justifyContent="center"
        minHeight={64}
        minWidth={48}
        gap={2}
        flex={1}
        position="relative"
        onPointerDown={onPressIn}
      >
        {here ? (
          <View
            position="absolute"
            {...(wide ? { left: 2, top: 24 } : { top: -1, left: 0, right: 0, alignItems: 'center' })}
            aria-hidden
          >
            <Svg width={20} height={12}>
              <Path d="M4 12L8 0M12 12L16 0" stroke={kerf} strokeWidth={3} />
            </Svg>
          </View>
        ) : null}
        <Svg width={26} height={26} viewBox="0 0 24 24" aria-hidden>
          <Path
            d={ICONS[id]}
            stroke={here ? ink : soft}
            strokeWidth={here ? 2.2 : 1.7}
            fill="none"
            strokeLinejoin="round"
          />
        </Svg>
        <Label
          fontSize="$16"
          lineHeight="$16"
          color={here ? '$ink' : '$soft'}
          maxWidth="100%"
          textAlign="center"
          // A name longer than a fifth of a narrow phone takes two lines
          style={{ overflowWrap: 'anywhere' }}
        >
          {name}
        </Label>
      </View>
    </Link>
  );
}
