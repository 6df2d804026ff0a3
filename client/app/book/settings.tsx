import { Settings } from '../../src/places/book/Settings';

export default function BookSettings() {
  return <Settings />;
}
