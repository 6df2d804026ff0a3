import { Reference } from '../../src/places/book/Reference';

export default function BookReference() {
  return <Reference />;
}
