import { Log } from '../../src/places/book/Log';

export default function BookLog() {
  return <Log />;
}
