import { WeatherBook } from '../../src/places/book/weather/WeatherBook';

export default function Weather() {
  return <WeatherBook />;
}
