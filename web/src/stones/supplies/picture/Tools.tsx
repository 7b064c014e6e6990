import { Circle, Minus, Plus, Square } from 'lucide-react';
import { Button } from '../../../ui/button.tsx';
import { drawn, type Shape, type Tool } from './shapes.ts';

const TOOLS = [
  ['box', 'Box', Square],
  ['round', 'Round', Circle],
  ['long', 'Long', Minus],
] as const;

/** What is drawn next; and a way to put one in the middle without drawing. */
export function Tools({
  tool,
  frame,
  onTool,
  only,
  onAdd,
}: {
  tool: Tool;
  /** nothing else is drawn here */
  only?: Tool;
  frame: { width: number; height: number };
  onTool: (tool: Tool) => void;
  onAdd: (shape: Shape) => void;
}) {
  const add = () => {
    const middle = { x: frame.width / 2, y: frame.height / 2 };
    const to = { x: middle.x + frame.width / 8, y: middle.y + frame.height / 8 };
    const shape = drawn(tool, middle, to);
    if (shape) onAdd({ ...shape, ...middle });
  };
  return (
    <div role="group" aria-label="Draw" className="flex flex-wrap items-center gap-1">
      {TOOLS.filter(([id]) => only === undefined || id === only).map(([id, name, Icon]) => (
        <Button key={id} aria-pressed={tool === id} look={tool === id ? 'main' : 'plain'} onClick={() => onTool(id)}>
          <Icon size={15} aria-hidden /> {name}
        </Button>
      ))}
      <Button look="quiet" onClick={add}>
        <Plus size={15} aria-hidden /> Put one in the middle
      </Button>
      <span className="text-[13px] text-soft max-sm:hidden">
        Draw round a thing; its edges pull. Arrows move it, with Alt stretch it, comma and full stop turn it.
      </span>
    </div>
  );
}
