import { useMemo } from 'react';
import { dayWords } from '@heronstone/core/upkeep';
import { DOT_PATHS, DOTS, type LabelText, qrOf, qrPath, QUIET } from '@heronstone/core/labels';
import { sizeFor } from './label-size.ts';

/** Text is laid out so many times larger and shrunk: a browser rounds lines of a few points. */
const FINE = 10;

/** A label as it will be, to scale: width and height in mm. */
export function LabelPicture({
  label,
  width,
  height,
  className,
}: {
  label: LabelText;
  width: number;
  height: number;
  className?: string;
}) {
  const code = useMemo(() => (label.code === null ? null : qrOf(label.code)), [label.code]);
  const side = code ? Math.min(height - 4, (width - 4) * 0.42) : 0;
  const strip = label.swatches.length + label.dots.length > 0 ? Math.min(5, (height - 4) * 0.24) : 0;
  const right = width - 2 - (side > 0 ? side + 1 : 0);
  const picture = label.photo === null ? 0 : Math.min(height - 4, (right - 2) * 0.45);
  const left = 2 + (picture > 0 ? picture + 1.5 : 0);
  const bottom = height - 2;
  const room = { width: Math.max(1, right - left), height: height - 3.6 - strip };
  const listed = label.contents.join(', ');
  // two thirds for the name where something is listed under it, as on paper
  const size = sizeFor(label.name, room.width, room.height * (listed === '' ? 1 : 0.62), Math.min(6, height * 0.2));
  let x = left;
  const marks = [
    ...label.swatches.map((colour, i) => ({ key: `s${i}`, path: DOT_PATHS.square, colour, gap: 0.6 })),
    ...label.dots.flatMap((dots, k) =>
      dots.map((d, i) => ({
        ...{ key: `d${k}.${i}`, path: DOT_PATHS[DOTS[d]!.shape], colour: DOTS[d]!.colour as string },
        gap: i === dots.length - 1 ? 1.9 : 0.4,
      })),
    ),
  ].flatMap((m) => {
    if (x + strip > right) return [];
    const at = x;
    x += strip + m.gap;
    return [{ ...m, at }];
  });
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className={className}
      role="img"
      aria-label={`Label: ${label.name || label.contents.join(', ')}`}
    >
      <rect width={width} height={height} rx={1.5} fill="#fff" stroke="#857c69" strokeWidth={0.3} />
      {code && (
        <path
          d={qrPath(code)}
          transform={`translate(${width - 2 - side} 2) scale(${side / (code.size + 2 * QUIET)}) translate(${QUIET} ${QUIET})`}
          fill="#000"
        />
      )}
      {picture > 0 && (
        <image
          href={`/api/photos/${label.photo}`}
          x={2}
          y={2}
          width={picture}
          height={height - 4}
          preserveAspectRatio="xMinYMin meet"
        />
      )}
      <foreignObject
        transform={`translate(${left} 1.6) scale(${1 / FINE})`}
        width={room.width * FINE}
        height={room.height * FINE}
      >
        <div
          style={{
            fontSize: size * FINE,
            lineHeight: 1.15,
            color: '#24323b',
            overflow: 'hidden',
            height: '100%',
          }}
        >
          <strong style={{ display: 'block', lineHeight: 1.15, paddingBottom: 0.6 * FINE }}>{label.name}</strong>
          {listed !== '' && <div style={{ fontSize: '62%', lineHeight: 1.15 }}>{listed}</div>}
          {label.since !== null && <div style={{ fontSize: '45%' }}>on trial since {dayWords(label.since)}</div>}
        </div>
      </foreignObject>
      {marks.map((m) => (
        <path
          key={m.key}
          d={m.path}
          transform={`translate(${m.at} ${bottom - strip}) scale(${strip})`}
          fill={m.colour}
          fillRule="evenodd"
        />
      ))}
    </svg>
  );
}
