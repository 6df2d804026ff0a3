// The limb tape: one limb as a measuring tape, with what was found on it, the measure and the cut.

import type { Cut } from '@mortisect/core/cuts';
import type { Units } from '@mortisect/core/measure';
import { indexLimbs, type Limb } from '@mortisect/core/tree';
import { limbInText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useId, useMemo, useRef, useState } from 'react';
import Svg, { Line } from 'react-native-svg';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { elementRef } from '../../ui/dom';
import { useTextScale, useWidthOf } from '../../ui/size';
import { usePalette } from '../../ui/theme';
import { LegendButton } from '../Legend';
import { type MarkKind, MarkPatterns } from '../marks';
import { placeOnTape, type TapeStretch, tapePath, tapeWindow, type Window } from '../tapePath';
import { ChalkFigure, KerfFigure } from './Figures';
import { Handle } from './Handle';
import { Bands, Chalk, chalkLine, KerfOnTape, Ruler, type TapeBand } from './Measure';
import { type TapeScale, tapeScale } from './scale';
import { useDragAlong } from './useDragAlong';
import { LastKept, Wood } from './Wood';

export interface Span {
  fromCm: number;
  toCm: number;
}

export interface LimbTapeProps {
  /** Stands over the tape at the left. */
  heading?: React.ReactNode;
  limbs: Limb[];
  limbId: string;
  names: Map<string, string>;
  bands: TapeBand[];
  /** The span that is being marked, with handles. */
  draft?: { span: Span; kind: MarkKind; onChange(span: Span): void } | undefined;
  cut?: Cut | undefined;
  /** The face of the cut lies square across the wood. */
  square?: boolean;
  units: Units;
  twelveBearingDeg: number;
  /** What the drawing says, for those who do not see it. */
  says: string;
  onWhy?: (() => void) | undefined;
  onSwitchUnits(): void;
}

const LABEL_PX = 15;
const CLOSER_CM = { metric: [60, 25], us: [60.96, 25.4] } as const;

export function LimbTape(props: LimbTapeProps) {
  const say = useSay();
  const { limbs, limbId, bands, draft, cut, units, names, twelveBearingDeg, says } = props;
  const box = useRef<HTMLElement>(null);
  const width = useWidthOf(box) ?? 358;
  const textScale = useTextScale();
  const prefix = `t${useId().replace(/\W/g, '')}`;
  const [look, setLook] = useState<Look>({
    closer: -1,
    pannedTo: null,
  });
  const index = useMemo(() => indexLimbs(limbs), [limbs]);

  const stretches = tapePath(index, limbId, cut ? reachOf(cut) : []);
  const window = tapeWindow(
    stretches,
    CLOSER_CM[units][look.closer] ?? null,
    look.pannedTo ?? focusOf(stretches, draft?.span, cut),
  );
  const scale = tapeScale(width, window, stretches[0]?.limb.baseMm ?? 20, textScale, {
    chalk: cut?.because.some((reason) => reason.clearanceCm > 0) ?? false,
    handles: draft !== undefined,
  });
  const fontSize = LABEL_PX * textScale;
  usePan(box, look.closer >= 0, window, scale, (pannedTo) => setLook({ ...look, pannedTo }));

  if (stretches.length === 0) return null;
  const common = { stretches, window, scale, fontSize };
  const wood = { index, twelveBearingDeg, bands, prefix };
  const line = cut ? chalkLine(say, common, cut, units) : null;
  const drafted = draft ? [{ id: 'draft', limbId, ...draft.span, kind: draft.kind }] : [];
  return (
    <View gap={4}>
      <View flexDirection="row" flexWrap="wrap" alignItems="center" justifyContent="flex-end" gap={4}>
        <View flexGrow={1} flexShrink={1} minWidth={0} maxWidth="100%">
          {props.heading}
        </View>
        <LegendButton />
        <LookButtons look={look} steps={CLOSER_CM[units].length} onLook={setLook} />
      </View>
      <View
        ref={elementRef(box)}
        position="relative"
        height={scale.rows.height}
        style={{ touchAction: 'pan-y' }}
      >
        <Svg width={width} height={scale.rows.height} role="img" aria-label={says}>
          <MarkPatterns prefix={prefix} />
          <Wood {...common} {...wood} />
          {cut ? <KerfOnTape {...common} cut={cut} square={props.square === true} /> : null}
          {cut ? <LastKept {...common} {...wood} cut={cut} /> : null}
          <Bands {...common} bands={[...bands, ...drafted]} prefix={prefix} />
          <Ruler
            {...common}
            units={units}
            names={names}
            kerfU={cut ? placeOnTape(stretches, cut.limbId, cut.atCm) : null}
          />
          {line ? <Chalk line={line} scale={scale} /> : null}
          {draft ? <Stems span={draft.span} scale={scale} /> : null}
        </Svg>
        {draft ? (
          <Handles draft={draft} limb={stretches[0]?.limb as Limb} units={units} scale={scale} />
        ) : null}
        {line ? (
          <ChalkFigure line={line} scale={scale} onWhy={props.onWhy} onSwitchUnits={props.onSwitchUnits} />
        ) : null}
        {cut ? (
          <KerfFigure
            {...common}
            cut={cut}
            on={cut.limbId === limbId ? null : limbInText(say, names.get(cut.limbId) ?? cut.limbId)}
            units={units}
            onWhy={props.onWhy}
            onSwitchUnits={props.onSwitchUnits}
          />
        ) : null}
      </View>
    </View>
  );
}

interface Look {
  /** Step of the closer look; -1 is the whole limb. */
  closer: number;
  pannedTo: number | null;
}

function LookButtons({ look, steps, onLook }: { look: Look; steps: number; onLook(look: Look): void }) {
  const say = useSay();
  return (
    <>
      {look.closer >= 0 ? (
        <Button kind="quiet" onPress={() => onLook({ closer: -1, pannedTo: null })}>
          {say('shared.wholeLimb')}
        </Button>
      ) : null}
      {look.closer < steps - 1 ? (
        <Button kind="quiet" onPress={() => onLook({ ...look, closer: look.closer + 1 })}>
          {say('shared.closer')}
        </Button>
      ) : null}
    </>
  );
}

function reachOf(cut: Cut): { limbId: string; atCm: number }[] {
  const walked = cut.because.flatMap((reason) =>
    reason.walk.map((stretch) => ({ limbId: stretch.limbId, atCm: stretch.toCm })),
  );
  return [{ limbId: cut.limbId, atCm: cut.atCm }, ...walked];
}

/** What a closer look is centred on: the handle's edge while marking, else the kerf. */
function focusOf(stretches: TapeStretch[], span: Span | undefined, cut: Cut | undefined): number {
  if (span) return span.fromCm;
  return (cut && placeOnTape(stretches, cut.limbId, cut.atCm)) ?? 0;
}

/** A closer look is moved along by dragging the wood. */
function usePan(
  box: React.RefObject<HTMLElement | null>,
  on: boolean,
  window: Window,
  scale: TapeScale,
  panTo: (u: number) => void,
) {
  useDragAlong(box, {
    onStart: (event) => {
      const onControl = (event.target as HTMLElement).closest('[role=slider],button');
      return on && !onControl ? (window.fromU + window.toU) / 2 : undefined;
    },
    onMove: (from, byPx) => panTo(from - byPx / scale.pxPerCm),
  });
}

function Stems({ span, scale }: { span: Span; scale: TapeScale }) {
  const { chalk } = usePalette();
  return (
    <>
      {[span.fromCm, span.toCm].map((cm, i) => (
        <Line
          key={i === 0 ? 'from' : 'to'}
          x1={scale.x(cm)}
          x2={scale.x(cm)}
          y1={scale.rows.wood + 12}
          y2={scale.rows.handles + 30}
          stroke={chalk}
          strokeWidth={2.4}
        />
      ))}
    </>
  );
}

function Handles({
  draft,
  limb,
  units,
  scale,
}: {
  draft: NonNullable<LimbTapeProps['draft']>;
  limb: Limb;
  units: Units;
  scale: TapeScale;
}) {
  const say = useSay();
  const { span, onChange } = draft;
  const common = { units, scale };
  return (
    <>
      <Handle
        {...common}
        label={say('shared.startsAt')}
        side={-1}
        cm={span.fromCm}
        leastCm={0}
        mostCm={span.toCm}
        onChange={(fromCm) => onChange({ ...span, fromCm })}
      />
      <Handle
        {...common}
        label={say('shared.endsAt')}
        side={1}
        cm={span.toCm}
        leastCm={span.fromCm}
        mostCm={limb.lengthCm}
        onChange={(toCm) => onChange({ ...span, toCm })}
      />
    </>
  );
}
