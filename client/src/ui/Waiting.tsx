// While the orchard is read, or when it could not be.

import { type Href, useRouter } from 'expo-router';
import { inWords, ServerProblem } from '../data/api';
import { useSay } from '../data/useSay';
import { Button } from './Button';
import { Notice } from './Notice';
import { Screen } from './Screen';
import { Small } from './type';

interface WaitingProps {
  title: string;
  /** What is waited for; the orchard where missing. */
  says?: string | undefined;
  /** Why it could not be read; null while it is read. */
  error?: Error | null;
  onRetry?(): void;
  /** Stands in for a list beside the work. */
  beside?: boolean;
}

export function Waiting({ title, says, error = null, onRetry, beside = false }: WaitingProps) {
  const say = useSay();
  if (error instanceof ServerProblem && error.problem.status === 404)
    return <NotThere title={title} error={error} />;
  return (
    <Screen title={title} beside={beside}>
      {error ? (
        <Notice
          kind="caution"
          title={say('shared.thisCouldNotBeRead')}
          {...(onRetry && { action: <Button onPress={onRetry}>{say('shared.tryAgain')}</Button> })}
        >
          {inWords(say, error)}
        </Notice>
      ) : (
        <Small role="status">{says ?? say('shared.readingTheOrchard')}</Small>
      )}
    </Screen>
  );
}

/** What an address asks for does not exist: the list of its place is offered. */
function NotThere({ title, error }: { title: string; error: Error }) {
  const say = useSay();
  const router = useRouter();
  const list = `/${window.location.pathname.split('/')[1] ?? ''}`;
  return (
    <Screen
      title={title}
      actions={
        <Button grow kind="main" onPress={() => router.replace(list as Href)}>
          {say('shared.goToTheList')}
        </Button>
      }
    >
      <Notice kind="caution" title={say('shared.notThere')}>
        {say('shared.nothingWasChanged', { in: inWords(say, error) })}
      </Notice>
    </Screen>
  );
}
