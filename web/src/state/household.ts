import type { AuthenticationResponseJSON, RegistrationResponseJSON } from '@simplewebauthn/browser';
import { ask } from './api.ts';
import { type Role, useAccess } from './access.ts';
import { forgetLastKnown } from './last-known.ts';

export type Member = {
  id: string;
  name: string;
  role: Role;
  since: string;
  leftAt: string | null;
  passkeys: number;
  passphrase: boolean;
};
export type Session = {
  digest: string;
  /** null: whoever came by the link to look */
  member: string | null;
  link: string | null;
  device: string;
  since: string;
  seenAt: string;
  own: boolean;
};
/** What a household may have, and has. */
export type Limits = Readonly<Record<'plans' | 'pictures' | 'bytes' | 'changes', { most: number; now: number }>>;
export type Household = {
  id: string;
  name: string;
  me: {
    id: string;
    name: string;
    role: Role;
    passphrase: boolean;
    /** one’s own, the newest first; a server of an older build does not say them */
    passkeys?: { id: string; addedAt: string }[];
  };
  members: Member[];
  sessions: Session[];
  limits: Limits;
  // what keepers see
  invitations?: { digest: string; role: Role; forWhom: string; byWhom: string; endsAt: string }[];
  links?: { digest: string; plan: string | null; forWhom: string; endsAt: string }[];
  gifts?: { digest: string; plan: string; madeAt: string }[];
  receipts?: { at: string; words: string }[];
  acts?: { at: string; plan: string; words: string; byWhom: string }[];
};
export type Template = { id: string; name: string; words: string; fromName: string; at: string; own: boolean };
/** `word`: what one says of the household when one comes in again */
export type Invited = { household: string; word: string; role: Role; forWhom: string };
export type Gift = { planName: string; fromName: string; byWhom: string; ownHousehold: boolean };

export const getHousehold = () => ask<Household>('/household');
/** Does something to the household by its path. */
export const act = <T = object>(path: string, body: object = {}) => ask<T>(`/household/${path}`, body);
export const getTemplates = () => ask<Template[]>('/household/templates');

export const invitedTo = (token: string) => ask<Invited>('/access/invitation', { token });

/** Whoever comes in sees nothing of whoever was here before. */
async function arrived<T>(answer: Promise<T>): Promise<T> {
  const got = await answer;
  await forgetLastKnown();
  await useAccess.getState().look();
  return got;
}

export const comeIn = (token: string, name: string, passphrase: string | null) =>
  arrived(ask<object>('/access/come', { token, name, passphrase }));
export const enterAs = (household: string, name: string, passphrase: string) =>
  arrived(ask<object>('/access/enter', { household, name, passphrase }));
export const lookAt = (token: string) => arrived(ask<{ plan: string }>('/access/look', { token }));

/** Whether this browser can keep passkeys for this address. */
export const hasPasskeys = (): boolean => window.isSecureContext && 'PublicKeyCredential' in window;

/** Comes in by a passkey of this device. */
export async function enterByPasskey(): Promise<void> {
  const { startAuthentication } = await import('@simplewebauthn/browser');
  const optionsJSON = await ask<never>('/access/passkey/options', {});
  const response: AuthenticationResponseJSON = await startAuthentication({ optionsJSON });
  await arrived(ask('/access/passkey', { response }));
}

/** Makes a passkey on this device. */
export async function addPasskey(): Promise<void> {
  const { startRegistration } = await import('@simplewebauthn/browser');
  const optionsJSON = await ask<never>('/household/mine/passkey/options', {});
  const response: RegistrationResponseJSON = await startRegistration({ optionsJSON });
  await act('mine/passkey', { response });
}
