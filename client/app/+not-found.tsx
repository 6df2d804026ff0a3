import { useRouter } from 'expo-router';
import { useSay } from '../src/data/useSay';
import { Button } from '../src/ui/Button';
import { Screen } from '../src/ui/Screen';
import { Body } from '../src/ui/type';

export default function NotFound() {
  const say = useSay();
  const router = useRouter();
  return (
    <Screen
      title={say('shared.notThere')}
      actions={
        <Button grow kind="main" onPress={() => router.replace('/today')}>
          {say('shared.goToToday')}
        </Button>
      }
    >
      <Body>{say('shared.thereIsNoSuchPageNothingWas')}</Body>
    </Screen>
  );
}
