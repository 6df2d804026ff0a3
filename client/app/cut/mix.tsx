import { Mix } from '../../src/places/cut/Mix';

export default function CutMix() {
  return <Mix />;
}
