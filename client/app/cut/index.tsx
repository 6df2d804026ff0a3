import { CutPlace } from '../../src/places/cut/CutPlace';

export default function CutCutPlace() {
  return <CutPlace />;
}
