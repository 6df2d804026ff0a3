import { useLocalSearchParams } from 'expo-router';
import { NewTree } from '../../../src/places/register/EditTree';

export default function New() {
  const { after } = useLocalSearchParams<{ after?: string }>();
  return <NewTree after={after} />;
}
