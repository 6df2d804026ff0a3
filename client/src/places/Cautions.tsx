// What must be kept in mind with a cut; work for a licensed arborist is said as danger.
import type { Caution } from '@mortisect/core/handling';
import { Notice } from '../ui/Notice';

export function Cautions({ list }: { list: Caution[] }) {
  return (
    <>
      {list.map(({ kind, text }) => (
        <Notice
          key={text}
          kind={kind === 'hand over' ? 'danger' : 'caution'}
          {...(kind === 'hand over' && { title: 'Work for a licensed arborist' })}
        >
          {text}
        </Notice>
      ))}
    </>
  );
}
