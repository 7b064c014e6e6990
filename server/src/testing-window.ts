import { applyChanges, type Plan } from '@heronstone/core/plan';
import { type PlanEvent } from './store/store.ts';

/** A window as the page has one: it hears a stream, follows it change by change, and reads the plan anew where it must. */
export class Window {
  plan: Plan | null = null;
  revision = -1;
  /** changes that were heard with their rows, not read anew */
  heard = 0;
  private stop = new AbortController();
  private closed = false;

  constructor(
    /** where servers answer (…/api): it comes back to the next one */
    private readonly servers: readonly { readonly url: string }[],
    readonly planId: string,
    private readonly cookie: string,
    turn = 0,
  ) {
    void this.listen(turn);
  }

  private async read(url: string): Promise<void> {
    const answer = await fetch(`${url}/plans/${this.planId}`, { headers: { cookie: this.cookie } });
    if (!answer.ok) throw new Error(String(answer.status));
    const { plan, revision } = (await answer.json()) as { plan: Plan; revision: number };
    if (revision > this.revision) [this.plan, this.revision] = [plan, revision];
  }

  private async listen(turn: number): Promise<void> {
    const { url } = this.servers[turn % this.servers.length]!;
    try {
      const stream = await fetch(`${url}/plans/${this.planId}/stream`, {
        headers: { cookie: this.cookie },
        signal: this.stop.signal,
      });
      if (!stream.ok) throw new Error(String(stream.status));
      let text = '';
      for await (const chunk of stream.body!) {
        text += new TextDecoder().decode(chunk as Uint8Array);
        for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
          await this.take(url, text.slice(0, end));
          text = text.slice(end + 2);
        }
      }
    } catch {
      // as a browser does: it comes back, to whichever server answers
    }
    await new Promise((go) => setTimeout(go, 50));
    if (!this.closed) void this.listen(turn + 1);
  }

  private async take(url: string, block: string): Promise<void> {
    const data = block.slice(block.indexOf('data: ') + 6);
    if (block.startsWith('event: hello')) {
      const { revision } = JSON.parse(data) as { revision: number };
      if (revision !== this.revision) await this.read(url);
    } else if (block.startsWith('event: change')) {
      const event = JSON.parse(data) as PlanEvent;
      if (event.revision > this.revision + 1) await this.read(url);
      else if (event.revision === this.revision + 1) {
        this.plan = applyChanges(this.plan!, event.changes);
        this.revision = event.revision;
        this.heard++;
      }
    }
  }

  close(): void {
    this.closed = true;
    this.stop.abort();
  }
}
