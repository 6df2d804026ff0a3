// To a tree by its tag: typed, or read from a photo of the tag’s QR code.

import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { PressRow } from '../../ui/PressRow';
import { Rows } from '../../ui/Row';
import { Sheet } from '../../ui/Sheet';
import { Label, Small } from '../../ui/type';
import { speciesWords } from '../words';

const MOST = 12;

export function FindByTag() {
  const say = useSay();
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const trees = useTrees().data?.trees ?? [];
  const [open, setOpen] = useState(false);
  const [tag, setTag] = useState('');
  const [fault, setFault] = useState<string | undefined>();
  const wanted = tag.trim().toLowerCase();
  const fitting =
    wanted === ''
      ? []
      : trees.filter((tree) => `${tree.code} ${tree.nickname ?? ''}`.toLowerCase().includes(wanted));
  const go = (id: string) => {
    setOpen(false);
    setTag('');
    router.navigate(`/round/${id}`);
  };
  const scan = async (file: File | undefined) => {
    if (!file) return;
    const { tagInPhoto } = await import('../../data/qrCode');
    const read = await tagInPhoto(file);
    const tree = trees.find((tree) => tree.code.toLowerCase() === read?.toLowerCase() || tree.id === read);
    if (tree) return go(tree.id);
    setFault(read ? say('round.theTagSaysNoTreeHasThat', { read }) : say('round.noQrCodeWasFoundOnThe'));
    if (read) setTag(read);
  };
  return (
    <>
      <Button onPress={() => setOpen(true)}>{say('round.findByTag')}</Button>
      <Sheet
        title={say('round.findByTag')}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel={say('shared.back')}
      >
        <Field
          label={say('round.tagOrNickname')}
          value={tag}
          fault={fault}
          onChangeText={(text) => {
            setFault(undefined);
            setTag(text);
          }}
          onSubmit={() => fitting[0] && go(fitting[0].id)}
        />
        <input
          ref={input}
          type="file"
          accept="image/*"
          capture="environment"
          aria-label={say('round.photoOfATag')}
          style={{ display: 'none' }}
          onChange={(event) => {
            void scan(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <Button onPress={() => input.current?.click()}>{say('round.readItFromAPhoto')}</Button>
        <Rows>
          {fitting.slice(0, MOST).map((tree) => (
            <PressRow key={tree.id} padding={12} onPress={() => go(tree.id)}>
              <Label flex={1}>{tree.nickname ? `${tree.code} · ${tree.nickname}` : tree.code}</Label>
              <Small>{speciesWords(say, tree)}</Small>
            </PressRow>
          ))}
        </Rows>
        {wanted !== '' && fitting.length === 0 ? <Small>{say('round.noTreeHasThisInItsCode')}</Small> : null}
      </Sheet>
    </>
  );
}
