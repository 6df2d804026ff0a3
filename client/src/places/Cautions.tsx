// What must be kept in mind with a cut; work for a licensed arborist is said as danger.

import type { Caution } from '@mortisect/core/handling';
import { cautionWords } from '@mortisect/words/trade';
import { useSay } from '../data/useSay';
import { Notice } from '../ui/Notice';
import { WithTerms } from './Terms';

export function Cautions({ list }: { list: Caution[] }) {
  const say = useSay();
  return (
    <>
      {list.map((caution) => (
        <Notice
          key={caution.because.code}
          kind={caution.kind === 'hand over' ? 'danger' : 'caution'}
          {...(caution.kind === 'hand over' && { title: say('shared.workForALicensedArborist') })}
        >
          <WithTerms>{cautionWords(say, caution)}</WithTerms>
        </Notice>
      ))}
    </>
  );
}
