// While the orchard is read, or when it could not be.
import { type Href, useRouter } from 'expo-router';
import { inWords, ServerProblem } from '../data/api';
import { Button } from './Button';
import { Notice } from './Notice';
import { Screen } from './Screen';
import { Small } from './type';

interface WaitingProps {
  title: string;
  error: Error | null;
  onRetry(): void;
  /** Stands in for a list beside the work. */
  beside?: boolean;
}

export function Waiting({ title, error, onRetry, beside = false }: WaitingProps) {
  if (error instanceof ServerProblem && error.problem.status === 404)
    return <NotThere title={title} error={error} />;
  return (
    <Screen title={title} beside={beside}>
      {error ? (
        <Notice
          kind="caution"
          title="This could not be read"
          action={<Button onPress={onRetry}>Try again</Button>}
        >
          {inWords(error)}
        </Notice>
      ) : (
        <Small role="status">Reading the orchard …</Small>
      )}
    </Screen>
  );
}

/** What an address asks for does not exist: the list of its place is offered. */
function NotThere({ title, error }: { title: string; error: Error }) {
  const router = useRouter();
  const list = `/${window.location.pathname.split('/')[1] ?? ''}`;
  return (
    <Screen
      title={title}
      actions={
        <Button grow kind="main" onPress={() => router.replace(list as Href)}>
          Go to the list
        </Button>
      }
    >
      <Notice kind="caution" title="Not there">
        {`${inWords(error)} Nothing was changed.`}
      </Notice>
    </Screen>
  );
}
