// Photos that were removed from their finding: each can be put back until it is deleted for good.
import type { RemovedPhotos as Removed } from '@mortisect/contracts';
import { findingBodyOf, MOST_PHOTOS } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useRemovedPhotos, useTree } from '../../data/queries';
import { useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Label, Section, Small } from '../../ui/type';
import { PhotoImage } from '../PhotoImage';
import { forGoodWords } from '../words';

export function RemovedPhotos() {
  const removed = useRemovedPhotos().data;
  if (!removed || removed.photos.length === 0) return null;
  return (
    <View gap={12}>
      <Section>Removed photos</Section>
      {removed.photos.map((photo) => (
        <RemovedPhoto key={photo.photoId} photo={photo} />
      ))}
      <Small>
        {`A photo is deleted for good ${removed.keptDays} days after it was removed. Safe copies that were made before then keep it until they go themselves.`}
      </Small>
    </View>
  );
}

function RemovedPhoto({
  photo: { photoId, findingId, treeId, treeCode, daysLeft },
}: {
  photo: Removed['photos'][number];
}) {
  const saving = useSaveFinding();
  const finding = useTree(treeId).data?.findings.find(({ id }) => id === findingId);
  const isFull = (finding?.photoIds.length ?? 0) >= MOST_PHOTOS;
  const putBack = () => {
    if (!finding) return;
    const body = findingBodyOf(finding);
    saving.mutate({
      id: findingId,
      baseRevision: finding.revision,
      finding: { ...body, photoIds: [...body.photoIds, photoId] },
    });
  };
  return (
    <View gap={8}>
      <View flexDirection="row" gap={12} alignItems="center">
        <PhotoImage id={photoId} alt={`Removed photo of ${treeCode}`} />
        <View flex={1} gap={4} alignItems="flex-start">
          <Label>{treeCode}</Label>
          <Small>{`Deleted ${forGoodWords(daysLeft)}`}</Small>
          {isFull ? (
            <Small>{`Its finding has ${MOST_PHOTOS} photos, no more fit.`}</Small>
          ) : (
            <Button
              aria-label={`Put back the photo of ${treeCode}`}
              disabled={!finding || saving.isPending}
              onPress={putBack}
            >
              Put back
            </Button>
          )}
        </View>
      </View>
      <Failed title="Not put back yet" error={saving.error} />
    </View>
  );
}
