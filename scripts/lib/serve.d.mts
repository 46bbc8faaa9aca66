export function serverArgs(how: { port: number | string; hostname?: string; dev?: boolean }): string[];
