import { startPostgres } from './postgres.mjs'; import { freePort } from './ports.mjs'; import { end, runScript, startJobs, startWeb, untilAnswers } from './processes.mjs'; import { ensureBuild } from './build.mjs'; import { spawn } from 'node:child_process'; import { rmSync } from 'node:fs';
const DATA='/tmp/look/testdata/x'; rmSync(DATA,{recursive:true,force:true});
const pg = await startPostgres(DATA,{port:54500}); const port = await freePort(3300);
const env={DATABASE_URL:pg.url,AUTH_SECRET:'only-for-the-tests-0123456789abcdef',DEMO_MODE:'1',DEMO_PASSWORD:'only-for-the-tests',AUTH_RATE_LIMIT:'0',APP_URL:`http://127.0.0.1:${port}`};
await runScript('src/demo/seed.ts',env); ensureBuild(); const second=await freePort(port+1);
const kids=[startWeb(port,env,['ignore','ignore','inherit']),startWeb(second,env,['ignore','ignore','inherit']),startJobs(env)];
await untilAnswers(env.APP_URL+'/',kids[0]); await untilAnswers(`http://127.0.0.1:${second}/`,kids[1]);
await new Promise(r=>spawn('npx',['playwright','test',...process.argv.slice(2)],{stdio:'inherit',env:{...process.env,...env,SECOND_URL:`http://127.0.0.1:${second}`}}).once('exit',r));
await Promise.all(kids.map(end)); await pg.stop(); process.exit(0);
