export { type Access, type Admission, ownMachine } from './access.ts';
export { cookiesOf } from './cookies.ts';
export { House, ownAddresses } from './house.ts';
export { hashed, isPassphrase, keepIn, keptIn, SHORTEST, type KeptPassphrase } from './passphrase.ts';
