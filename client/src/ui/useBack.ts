// Back to where one came from; who came by an address goes to the page above instead of nowhere.
import { type Href, useRouter } from 'expo-router';

/** @param above the page to go to where nothing lies behind this one */
export function useBack(above: Href): () => void {
  const router = useRouter();
  return () => (router.canGoBack() ? router.back() : router.replace(above));
}
