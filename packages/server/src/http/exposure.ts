import os from 'node:os';

/** What is asked of those who ask, by who can reach the server. */
export interface Exposure {
  /** Beside loopback: what the machine may be called by whoever asks. */
  readonly names: readonly string[];
  /** Whether each address may only ask so often. */
  readonly limited: boolean;
  readonly tls: boolean;
}

/** Where it listens, as its configuration says. */
interface Reached {
  readonly host: string;
  readonly names: readonly string[];
  readonly tls: boolean;
}

export const LOOPBACK_ONLY: Exposure = { names: [], limited: false, tls: false };

/** Served to other machines, it answers to this machine's own names and addresses, and to those its owner gave. */
export function exposureOf({ host, names, tls }: Reached): Exposure {
  if (isLoopback(host)) return { names, limited: names.length > 0, tls };
  const name = os.hostname().toLowerCase();
  const addresses = Object.values(os.networkInterfaces()).flatMap((all = []) =>
    all.map(({ address, family }) => (family === 'IPv6' ? `[${address}]` : address)),
  );
  return { names: [...names, name, `${name}.local`, ...addresses, bracketed(host)], limited: true, tls };
}

function bracketed(host: string): string {
  return host.includes(':') && !host.startsWith('[') ? `[${host}]` : host.toLowerCase();
}

/** Whether an address to listen on can be reached from this machine alone. */
export function isLoopback(host: string): boolean {
  return host === 'localhost' || host === '::1' || /^127\./.test(host);
}
