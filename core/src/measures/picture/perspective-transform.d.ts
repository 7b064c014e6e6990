declare module 'perspective-transform' {
  export default function PerspT(
    from: readonly number[],
    to: readonly number[],
  ): { transform(x: number, y: number): [number, number]; transformInverse(x: number, y: number): [number, number] };
}
