import { startServer, addDemoPlan, launch, newPage } from './harness.ts';
const server = await startServer();
const browser = await launch();
try {
  const id = await addDemoPlan(server, 'pump');
  const { page, errors } = await newPage(browser);
  await page.goto(`${server.url}/p/${id}/homes`);
  await page.getByRole('button', { name: 'Find homes', exact: true }).click();
  await page.getByRole('heading', { name: 'What lives where' }).waitFor();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: '/tmp/s1.png' });
  await page.goto(`${server.url}/p/${id}/furniture`);
  await page.getByRole('list', { name: 'All findings' }).getByRole('button').first().waitFor();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: '/tmp/s2.png' });
  console.log(errors);
} finally {
  await browser.close();
  await server.stop();
}
