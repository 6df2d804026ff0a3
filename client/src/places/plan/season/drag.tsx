// Trees are dragged with the mouse to the days and the crew that should do them. With keys and on a phone the sheet of a tree does the same.
import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { View } from '@tamagui/core';
import { createElement, type ReactNode, useState } from 'react';
import { usePalette } from '../../../ui/theme';
import { Label, Small } from '../../../ui/type';
import type { Days } from './season';

/** What is dragged: visits, and what they are called. */
interface Load {
  visits: readonly { visitId: string; treeId: string }[];
  name: string;
}

/** So far the mouse goes before a press is a drag, pixels. */
const FAR_PX = 6;

interface DragBoardProps {
  onDrop(visits: Load['visits'], days: Days): void;
  /** What it comes to there, in words. */
  tells(visits: Load['visits'], days: Days): string;
  children: ReactNode;
}

export function DragBoard({ onDrop, tells, children }: DragBoardProps) {
  const [load, setLoad] = useState<Load | null>(null);
  const [there, setThere] = useState('');
  const sensors = useSensors(useSensor(MouseSensor, { activationConstraint: { distance: FAR_PX } }));
  return (
    <DndContext
      sensors={sensors}
      // Where the mouse is, not where the row lies that it drags
      collisionDetection={pointerWithin}
      accessibility={{ announcements: SILENT, screenReaderInstructions: { draggable: '' } }}
      onDragStart={({ active }) => {
        setThere('');
        setLoad((active.data.current as Load | undefined) ?? null);
      }}
      onDragOver={({ over }) => {
        const days = over?.data.current as Days | undefined;
        setThere(load && days ? tells(load.visits, days) : '');
      }}
      onDragCancel={() => setLoad(null)}
      onDragEnd={({ over }) => {
        setLoad(null);
        const days = over?.data.current as Days | undefined;
        if (load && days) onDrop(load.visits, days);
      }}
    >
      {children}
      <DragOverlay dropAnimation={null}>
        {load ? (
          <View
            padding={12}
            backgroundColor="$paper"
            borderWidth={2}
            borderColor="$chalk"
            borderStyle="solid"
          >
            <Label>{load.name}</Label>
            {there ? <Small color="$ink">{there}</Small> : null}
          </View>
        ) : null}
      </DragOverlay>
    </DndContext>
  );
}

/** Who cannot see the mouse does not drag: nothing is told of it. */
const SILENT = {
  onDragStart: () => undefined,
  onDragOver: () => undefined,
  onDragEnd: () => undefined,
  onDragCancel: () => undefined,
};

export function Dragged({ id, children, ...load }: Load & { id: string; children: ReactNode }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id, data: load });
  return createElement(
    'div',
    { ref: setNodeRef, ...listeners, style: { opacity: isDragging ? 0.4 : 1, cursor: 'grab' } },
    children,
  );
}

interface DropPlaceProps {
  id: string;
  days: Days;
  /** A mark that lies over a drawing; else it holds what is shown in it. */
  at?: { left: number; width: number; height: number };
  children?: ReactNode;
}

export function DropPlace({ id, days, at, children }: DropPlaceProps) {
  const { setNodeRef, isOver } = useDroppable({ id, data: days });
  const { chalk } = usePalette();
  const outline = isOver ? `2px solid ${chalk}` : 'none';
  return createElement(
    'div',
    {
      ref: setNodeRef,
      style: at ? { position: 'absolute', top: 0, ...at, outline } : { outline, outlineOffset: 4 },
    },
    children,
  );
}
