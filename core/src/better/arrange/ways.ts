import { distanceToSegment, insidePolygon, type Point } from '../../measures/geometry/index.ts';
import { type Plan } from '../../record/plan/index.ts';
import { insideDoor, obstaclesOf, wallFrames } from '../../space/room/index.ts';
import { passageWanted } from '../findings/index.ts';
import { type Shape } from './pieces.ts';

/** Mesh of the search’s own floor, mm: coarser than the one the findings use, which has the last word. */
const MESH = 100;
/** So much a gap may seem narrower than it is, because no cell lies in its very middle, mm. */
const OFF_MIDDLE = 20;
/** A doorway is as narrow as it is, mm around where one comes in (as the findings have it). */
const NEAR_DOOR = 650;
/** Near to where one goes one stands close to things on purpose, mm. */
export const NEAR = { seat: 450, unit: 750 };

/** A target nobody gets to, and one to which the way is narrow, as so many mm broken (own assumption). */
const NO_WAY = 300;
const NARROW = 60;

export type Target = Point & { near: number };

/** The coarse floor of one room: what the walls and posts leave, reckoned once; furniture comes and goes over it. */
export class Ways {
  private readonly x: number;
  private readonly y: number;
  private readonly columns: number;
  private readonly rows: number;
  private readonly bare: Float32Array;
  private readonly clear: Float32Array;
  private readonly seen: Uint8Array;
  private readonly queue: Int32Array;
  private readonly starts: Uint8Array;
  private readonly any: boolean;
  private readonly wanted: number;

  constructor(plan: Plan) {
    const frames = wallFrames(plan);
    const outline = frames.map((f) => f.a);
    const fixed = obstaclesOf({ ...plan, units: {} });
    this.x = Math.min(...outline.map((p) => p.x)) + MESH / 2;
    this.y = Math.min(...outline.map((p) => p.y)) + MESH / 2;
    this.columns = Math.ceil((Math.max(...outline.map((p) => p.x)) - this.x) / MESH) + 1;
    this.rows = Math.ceil((Math.max(...outline.map((p) => p.y)) - this.y) / MESH) + 1;
    const n = this.columns * this.rows;
    this.bare = new Float32Array(n);
    this.clear = new Float32Array(n);
    this.seen = new Uint8Array(n);
    this.queue = new Int32Array(n);
    this.starts = new Uint8Array(n);
    const doors = Object.values(plan.openings).flatMap((o) => insideDoor(plan, o.id) ?? []);
    this.any = doors.length > 0;
    this.wanted = passageWanted(plan) / 2 - OFF_MIDDLE;
    for (let i = 0; i < n; i++) {
      const p = this.at(i);
      let least = Infinity;
      for (const f of frames) least = Math.min(least, distanceToSegment(p, f.a, f.b));
      for (const o of fixed) {
        const dx = p.x - o.prism.x;
        const dy = p.y - o.prism.y;
        const u = Math.max(0, Math.abs(dx * o.prism.rightX + dy * o.prism.rightY) - o.prism.halfWidth);
        const v = Math.max(0, Math.abs(dx * o.prism.frontX + dy * o.prism.frontY) - o.prism.halfDepth);
        least = Math.min(least, Math.hypot(u, v));
      }
      this.bare[i] = insidePolygon(p, outline) ? least : -1;
      if (doors.some((d) => Math.hypot(d.x - p.x, d.y - p.y) < NEAR_DOOR)) this.starts[i] = 1;
    }
  }

  private at(cell: number): Point {
    return { x: this.x + (cell % this.columns) * MESH, y: this.y + Math.floor(cell / this.columns) * MESH };
  }

  /** How much the ways from the doors are broken: targets nobody gets to, and narrow ways, in mm; 0 when all is well. */
  broken(blocks: readonly Shape[], targets: readonly Target[]): number {
    if (!this.any) return 0;
    this.clear.set(this.bare);
    for (const b of blocks) this.block(b);
    this.flood(this.wanted);
    const narrow = targets.filter((t) => !this.reaches(t));
    if (narrow.length === 0) return 0;
    this.flood(BODY_HALF);
    return narrow.reduce((sum, t) => sum + (this.reaches(t) ? NARROW : NO_WAY), 0);
  }

  /** Lowers the clearance around one rectangle. */
  private block({ corners }: Shape): void {
    const [a, b, , d] = corners as [Point, Point, Point, Point];
    const ux = b.x - a.x;
    const uy = b.y - a.y;
    const vx = d.x - a.x;
    const vy = d.y - a.y;
    const w = Math.hypot(ux, uy);
    const h = Math.hypot(vx, vy);
    const { clear, columns, rows } = this;
    // farther off it narrows no way
    const far = this.wanted + MESH;
    const cell = (mm: number, from: number) => Math.floor((mm - from) / MESH);
    const xs = corners.map((p) => p.x);
    const ys = corners.map((p) => p.y);
    const c0 = Math.max(0, cell(Math.min(...xs) - far, this.x));
    const c1 = Math.min(columns - 1, cell(Math.max(...xs) + far, this.x) + 1);
    const r0 = Math.max(0, cell(Math.min(...ys) - far, this.y));
    const r1 = Math.min(rows - 1, cell(Math.max(...ys) + far, this.y) + 1);
    for (let r = r0; r <= r1; r++) {
      const py = this.y + r * MESH - a.y;
      for (let c = c0; c <= c1; c++) {
        const i = r * columns + c;
        const now = clear[i]!;
        if (now < 0) continue;
        const px = this.x + c * MESH - a.x;
        const u = (px * ux + py * uy) / w;
        const v = (px * vx + py * vy) / h;
        const du = u < 0 ? -u : u > w ? u - w : 0;
        const dv = v < 0 ? -v : v > h ? v - h : 0;
        const off = du === 0 ? dv : dv === 0 ? du : Math.sqrt(du * du + dv * dv);
        if (off < now) clear[i] = off === 0 ? -1 : off;
      }
    }
  }

  private flood(half: number): void {
    const { seen, queue, clear, starts, columns, rows } = this;
    seen.fill(0);
    let head = 0;
    let tail = 0;
    const passes = (i: number) => clear[i]! >= half || (starts[i] === 1 && clear[i]! >= BODY_HALF);
    for (let i = 0; i < clear.length; i++)
      if (starts[i] === 1 && passes(i)) {
        seen[i] = 1;
        queue[tail++] = i;
      }
    while (head < tail) {
      const i = queue[head++]!;
      const c = i % columns;
      const r = (i - c) / columns;
      for (let dr = -1; dr <= 1; dr++)
        for (let dc = -1; dc <= 1; dc++) {
          const nc = c + dc;
          const nr = r + dr;
          if (nc < 0 || nr < 0 || nc >= columns || nr >= rows) continue;
          const next = nr * columns + nc;
          if (seen[next] === 1 || !passes(next)) continue;
          seen[next] = 1;
          queue[tail++] = next;
        }
    }
  }

  private reaches({ x, y, near }: Target): boolean {
    const far = Math.ceil(near / MESH);
    const c0 = Math.round((x - this.x) / MESH);
    const r0 = Math.round((y - this.y) / MESH);
    for (let r = Math.max(0, r0 - far); r <= Math.min(this.rows - 1, r0 + far); r++)
      for (let c = Math.max(0, c0 - far); c <= Math.min(this.columns - 1, c0 + far); c++) {
        if (this.seen[r * this.columns + c] !== 1) continue;
        if (Math.hypot(this.x + c * MESH - x, this.y + r * MESH - y) <= near) return true;
      }
    return false;
  }
}

const BODY_HALF = 230;
