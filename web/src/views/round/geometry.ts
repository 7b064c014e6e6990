/** Heights to ribbon pixels: the air above `top` mm is squeezed into a tenth. */
export function heightScale(pixels: number, top: number, ceiling: number): (mm: number) => number {
  const low = pixels * 0.9;
  return (mm) =>
    mm <= top
      ? pixels - (mm / top) * low
      : pixels - low - ((Math.min(mm, ceiling) - top) / Math.max(1, ceiling - top)) * (pixels - low);
}
