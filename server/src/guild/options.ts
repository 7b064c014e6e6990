/** What may be said on the command line of a guild’s server. */
export const GUILD_OPTIONS = {
  host: { type: 'string' },
  origin: { type: 'string' },
  'trust-proxy': { type: 'string' },
  'ops-port': { type: 'string' },
} as const;

export type GuildValues = Partial<Record<keyof typeof GUILD_OPTIONS, string>>;
