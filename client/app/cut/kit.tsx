import { Kit } from '../../src/places/cut/Kit';

export default function CutKit() {
  return <Kit />;
}
