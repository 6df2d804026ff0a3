// A write that did not go out: what happened, and that nothing entered is gone.
import { inWords } from '../data/api';
import { Notice } from './Notice';

export function Failed({ title, error }: { title: string; error: Error | null }) {
  return error ? (
    <Notice kind="caution" title={title}>
      {inWords(error)}
    </Notice>
  ) : null;
}
