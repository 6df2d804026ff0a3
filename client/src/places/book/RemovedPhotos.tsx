// Photos that were removed from their finding: each can be put back until it is deleted for good.

import type { RemovedPhotos as Removed } from '@mortisect/contracts';
import { findingBodyOf, MOST_PHOTOS } from '@mortisect/core/records';
import { View } from '@tamagui/core';
import { useRemovedPhotos, useTree } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Label, Section, Small } from '../../ui/type';
import { PhotoImage } from '../PhotoImage';
import { forGoodWords } from '../words';

export function RemovedPhotos() {
  const say = useSay();
  const removed = useRemovedPhotos().data;
  if (!removed || removed.photos.length === 0) return null;
  return (
    <View gap={12}>
      <Section>{say('book.removedPhotos')}</Section>
      {removed.photos.map((photo) => (
        <RemovedPhoto key={photo.photoId} photo={photo} />
      ))}
      <Small>{say('book.aPhotoIsDeletedForGoodDays', { keptDays: removed.keptDays })}</Small>
    </View>
  );
}

function RemovedPhoto({
  photo: { photoId, findingId, treeId, treeCode, daysLeft },
}: {
  photo: Removed['photos'][number];
}) {
  const say = useSay();
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
        <PhotoImage id={photoId} alt={say('book.removedPhotoOf', { treeCode })} />
        <View flex={1} gap={4} alignItems="flex-start">
          <Label>{treeCode}</Label>
          <Small>{say('book.deleted', { forGood: forGoodWords(say, daysLeft) })}</Small>
          {isFull ? (
            <Small>{say('book.itsFindingHasPhotosNoMoreFit', { mostPhotos: MOST_PHOTOS })}</Small>
          ) : (
            <Button
              aria-label={say('book.putBackThePhotoOf', { treeCode })}
              disabled={!finding || saving.isPending}
              onPress={putBack}
            >
              {say('book.putBack')}
            </Button>
          )}
        </View>
      </View>
      <Failed title={say('book.notPutBackYet')} error={saving.error} />
    </View>
  );
}
