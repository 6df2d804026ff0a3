import { SeasonPage } from '../../src/places/plan/season/SeasonPage';

export default function SeasonOfSite() {
  return <SeasonPage />;
}
