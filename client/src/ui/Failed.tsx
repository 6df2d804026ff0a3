// A write that did not go out: what happened, and that nothing entered is gone.

import { inWords } from '../data/api';
import { useSay } from '../data/useSay';
import { Notice } from './Notice';

export function Failed({ title, error }: { title: string; error: Error | null }) {
  const say = useSay();
  return error ? (
    <Notice kind="caution" title={title}>
      {inWords(say, error)}
    </Notice>
  ) : null;
}
