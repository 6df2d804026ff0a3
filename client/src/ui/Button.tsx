// Buttons carry verbs. `cut` is vermilion and belongs to "Made the cut" alone.
import { type GetProps, styled, View } from '@tamagui/core';
import { Label } from './type';

const Frame = styled(View, {
  render: 'button',
  minHeight: 48,
  minWidth: 48,
  maxWidth: '100%',
  paddingHorizontal: 16,
  paddingVertical: 8,
  alignItems: 'center',
  justifyContent: 'center',
  flexDirection: 'row',
  gap: 8,
  borderRadius: 3,
  borderWidth: 1.5,
  borderStyle: 'solid',
  borderColor: '$ink',
  backgroundColor: '$paper',
  cursor: 'pointer',
  pressStyle: { opacity: 0.8 },
  disabledStyle: { opacity: 0.45, cursor: 'not-allowed' },
  variants: {
    kind: {
      plain: {},
      main: { backgroundColor: '$ink', minHeight: 56 },
      cut: { backgroundColor: '$kerf', borderColor: '$kerf', minHeight: 68 },
      quiet: { backgroundColor: 'transparent', borderColor: 'transparent', paddingHorizontal: 8 },
    },
    grow: { true: { flex: 1 } },
  } as const,
  defaultVariants: { kind: 'plain' },
});

const WORD_COLOR = { plain: '$ink', main: '$onInk', cut: '$onKerf', quiet: '$chalk' } as const;
const WORD_SIZE = { plain: '$18', main: '$22', cut: '$24', quiet: '$18' } as const;

interface ButtonProps extends Omit<GetProps<typeof Frame>, 'children' | 'kind'> {
  children: string;
  kind?: keyof typeof WORD_COLOR;
}

export function Button({ children, kind = 'plain', ...rest }: ButtonProps) {
  return (
    <Frame kind={kind} {...rest}>
      <Label
        color={WORD_COLOR[kind]}
        fontSize={WORD_SIZE[kind]}
        lineHeight={WORD_SIZE[kind]}
        textAlign="center"
        flexShrink={1}
      >
        {children}
      </Label>
    </Frame>
  );
}
