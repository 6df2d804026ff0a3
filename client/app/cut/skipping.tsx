import { Skipping } from '../../src/places/cut/Skipping';

export default function CutSkipping() {
  return <Skipping />;
}
