// What is grown in this orchard, the usual one first.
import { speciesTable } from '@mortisect/core/register';
import { useSay } from '../data/useSay';
import { Several } from '../ui/Several';

const SPECIES = speciesTable.map(({ code, name }) => ({ value: code, label: name }));

interface SpeciesGrownProps {
  value: readonly string[];
  onChange(codes: string[]): void;
}

export function SpeciesGrown({ value, onChange }: SpeciesGrownProps) {
  const say = useSay();
  return <Several label={say('shared.whatIsGrown')} options={SPECIES} value={value} onChange={onChange} />;
}
