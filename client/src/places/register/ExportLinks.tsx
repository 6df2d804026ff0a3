// The register out again, in open formats.
import { View } from '@tamagui/core';
import { Label, Section, Small } from '../../ui/type';

const FILES = [
  ['/api/trees.csv', 'CSV'],
  ['/api/trees.geojson', 'GeoJSON'],
  ['/api/archive.ndjson', 'Archive of everything'],
] as const;

export function ExportLinks() {
  return (
    <View gap={4}>
      <Section>Take a copy out</Section>
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        {FILES.map(([path, name]) => (
          <a key={path} href={path} download style={{ textDecoration: 'none' }}>
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
      <Small>
        GeoJSON holds the trees that have a position. The archive holds the whole orchard, with everything
        that was done, its weather and its photos; an empty server takes it in as it is.
      </Small>
    </View>
  );
}
