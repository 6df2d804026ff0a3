import { Today } from '../src/places/today/Today';

export default function TodayPlace() {
  return <Today />;
}
