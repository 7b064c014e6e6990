import { MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';

/** A drag begins when the mouse has gone 5 px, or a finger has rested 150 ms: a press stays a press, and a swipe scrolls. */
export const useDragSensors = () =>
  useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 6 } }),
  );
