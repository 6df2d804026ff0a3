import { Rechecks } from '../../src/places/book/aftercare/Rechecks';

export default function BookRechecks() {
  return <Rechecks />;
}
