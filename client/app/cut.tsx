import { CutRun } from '../src/places/cut/CutRun';

export default function Cut() {
  return <CutRun />;
}
