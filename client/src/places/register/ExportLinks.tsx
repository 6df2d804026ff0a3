// The register out again, in open formats.
import type { Say } from '@mortisect/words';
import { View } from '@tamagui/core';
import { inLanguage } from '../../data/api';
import { useSay } from '../../data/useSay';
import { Label, Section, Small } from '../../ui/type';

const filesIn = (say: Say) =>
  [
    ['/api/trees.csv', 'CSV'],
    ['/api/trees.geojson', 'GeoJSON'],
    ['/api/archive.ndjson', say('round.archiveOfEverything')],
  ] as const;

export function ExportLinks() {
  const say = useSay();
  return (
    <View gap={4}>
      <Section>{say('round.takeACopyOut')}</Section>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {filesIn(say).map(([path, name]) => (
          <a key={path} href={inLanguage(say, path)} download style={{ textDecoration: 'none' }}>
            <View
              minHeight={48}
              paddingHorizontal={16}
              justifyContent="center"
              borderWidth={1.5}
              borderStyle="solid"
              borderColor="$ink"
              borderRadius={3}
              backgroundColor="$paper"
            >
              <Label>{name}</Label>
            </View>
          </a>
        ))}
      </View>
      <Small>{say('round.geojsonHoldsTheTreesThatHaveA')}</Small>
    </View>
  );
}
