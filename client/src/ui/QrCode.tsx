// A text as a square that a camera reads; black on white in every theme.
import { useQuery } from '@tanstack/react-query';
import Svg, { Path, Rect } from 'react-native-svg';
import { COMPUTED_HERE } from '../data/queryClient';

/** @param label what it is, for those who do not see it */
export function QrCode({ text, label }: { text: string; label: string }) {
  const { data: code = [] } = useQuery({
    queryKey: ['qr', text],
    queryFn: async () => (await import('../data/qrCode')).qrRows(text),
    staleTime: Number.POSITIVE_INFINITY,
    ...COMPUTED_HERE,
  });
  const path = code
    .flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : [])))
    .join('');
  return (
    <Svg width={168} height={168} viewBox={`0 0 ${code.length} ${code.length}`} role="img" aria-label={label}>
      <Rect width={code.length} height={code.length} fill="#FFFFFF" />
      <Path d={path} fill="#000000" />
    </Svg>
  );
}
