/** How something is taken up to be dragged: by mouse after a small way, by finger after a moment, by keys at once. */
import {
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';

/** coordinateGetter: where keys carry it. */
export const useDragSensors = (coordinateGetter: KeyboardCoordinateGetter) =>
  useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 150, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter }),
  );
