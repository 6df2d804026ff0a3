// While the orchard is read, or when it could not be.
import { inWords } from '../data/api';
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
