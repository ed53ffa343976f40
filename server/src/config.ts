/** What the environment decides. */
export interface Config {
  readonly port: number;
  readonly host: string;
  readonly database: {
    readonly host: string;
    readonly port: number;
    readonly user: string;
    readonly password: string;
    readonly database: string;
  };
  /** Folder with the exported app, or null to serve the API alone. */
  readonly appFolder: string | null;
  /** Proxies whose X-Forwarded headers are believed. */
  readonly trustProxy: number | string | undefined;
  /** Folder for clips: outside of everything that is served. */
  readonly clipsFolder: string;
}

function required(name: string): string {
  const value = process.env[name];
  if (!value)
    throw new Error(
      `${name} is not set. Start through “npm run demo” or “npm run dev”, or set it yourself: DATABASE_URL to a MariaDB address, CLIPS_FOLDER to a private folder.`,
    );
  return value;
}

/** @throws Error naming the variable that is missing */
export function readConfig(): Config {
  const url = new URL(required('DATABASE_URL'));
  return {
    port: Number(process.env.PORT ?? 0),
    host: process.env.HOST ?? '127.0.0.1',
    database: {
      host: url.hostname,
      port: Number(url.port || 3306),
      user: decodeURIComponent(url.username),
      password: decodeURIComponent(url.password),
      database: url.pathname.slice(1),
    },
    trustProxy: /^\d+$/.test(process.env.TRUST_PROXY ?? '')
      ? Number(process.env.TRUST_PROXY)
      : process.env.TRUST_PROXY || undefined,
    appFolder: process.env.APP_FOLDER ?? null,
    clipsFolder: required('CLIPS_FOLDER'),
  };
}
