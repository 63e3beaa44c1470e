import { demoServer } from './server';

/** One demo studio for all tests that only read it. */
export default async function globalSetup() {
  const server = demoServer(Number(process.env.KOKYU_TEST_PORT ?? 4310));
  await server.start();
  return server.close;
}
