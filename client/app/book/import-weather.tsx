import { ImportWeather } from '../../src/places/book/weather/ImportWeather';

export default function WeatherFromFile() {
  return <ImportWeather />;
}
