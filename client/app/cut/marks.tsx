import { Marks } from '../../src/places/cut/Marks';

export default function CutMarks() {
  return <Marks />;
}
