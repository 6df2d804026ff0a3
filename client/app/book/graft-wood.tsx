import { GraftWood } from '../../src/places/book/aftercare/GraftWood';

export default function BookGraftWood() {
  return <GraftWood />;
}
