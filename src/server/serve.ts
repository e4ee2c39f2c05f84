export async function serve(_options: {
  folder?: string;
  port?: number;
  data: string;
  version: string;
}): Promise<void> {}
