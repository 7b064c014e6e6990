import { toast } from 'sonner';
import { type CommandOf, newId, type Picture } from '@heronstone/core/plan';
import { keepMeasured } from '../../../state/photos.ts';
import { today } from '../../../ui/words.ts';
import { flatList, knownSize, type Marking, type Of } from './marked.ts';
import { type Shape } from './shapes.ts';
import { type Held, type Laid } from './use-picture.ts';

/**
 * Keeps the picture with what is known in it, so that more can be measured later.
 * @returns the command that brings it into the plan; null, and it is said, where it could not be kept
 */
export async function keptPicture(
  of: Of,
  held: Held,
  marking: Marking,
  laid: Laid,
  shapes: readonly Shape[],
): Promise<CommandOf<'addPicture'> | null> {
  try {
    const { hash, width, height } = await keepMeasured(held.blob);
    const by = width / marking.image.width;
    const scaled = (points: readonly { x: number; y: number }[]) =>
      flatList(points.map((p) => ({ x: p.x * by, y: p.y * by })));
    const known = knownSize(marking, laid.plane.known) ?? laid.plane.known;
    const tidy = (mm: number) => Math.round(mm * 10) / 10;
    const picture: Picture = {
      id: newId('picture'),
      placeId: of.what === 'place' ? of.id : null,
      unitId: of.what === 'front' ? of.id : null,
      wallId: of.what === 'wall' ? of.id : null,
      photo: hash,
      width,
      height,
      focal35: marking.image.focal35 ?? null,
      corners: scaled(marking.corners),
      knownWidth: known.width,
      knownDepth: known.height,
      frame: marking.frame ? scaled(marking.frame) : [],
      lens: Math.min(0.5, Math.max(-0.5, laid.plane.lens)),
      drawn: shapes.slice(0, 200).map((s) => ({
        words: s.line.slice(0, 400),
        ...{ x: tidy(s.x), y: tidy(s.y), width: tidy(s.width), depth: tidy(s.depth) },
        ...{ turn: tidy(s.turn) % 360, round: s.round },
      })),
      takenOn: today(),
    };
    return { type: 'addPicture', picture };
  } catch (error) {
    toast.error(
      `The picture itself was not kept: ${error instanceof Error ? error.message : 'the server does not answer'}`,
    );
    return null;
  }
}
