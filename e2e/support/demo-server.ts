import { demoServer } from './server';

/** One demo studio for all tests that want it as it is; what they add to it is nothing another looks for. */
export default async function globalSetup() {
  const server = demoServer(Number(process.env.KOKYU_TEST_PORT ?? 4310));
  await server.start();
  return server.close;
}
