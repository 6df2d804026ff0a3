import { useRouter } from 'expo-router';
import { Button } from '../src/ui/Button';
import { Screen } from '../src/ui/Screen';
import { Body } from '../src/ui/type';

export default function NotFound() {
  const router = useRouter();
  return (
    <Screen
      title="Not there"
      actions={
        <Button grow kind="main" onPress={() => router.replace('/today')}>
          Go to Today
        </Button>
      }
    >
      <Body>There is no such page. Nothing was changed.</Body>
    </Screen>
  );
}
