import { makeFurnished } from './furnished';
import { solve } from '@/core/solving/solve';
import { readFileSync, writeFileSync, existsSync } from 'node:fs';
const n=Number(process.argv[2]??25);
let t=performance.now();
const file=`/tmp/fur${n}.json`;
let f;
if(existsSync(file)) f={records:new Map(JSON.parse(readFileSync(file,'utf8')))} as never;
else {f=makeFurnished(n); writeFileSync(file,JSON.stringify([...f.records]));}
console.log('built', (f as any).records.size, Math.round(performance.now()-t));
import { Session } from 'node:inspector/promises';
const s=new Session(); s.connect(); await s.post('Profiler.enable'); await s.post('Profiler.setSamplingInterval',{interval:500}); await s.post('Profiler.start');
t=performance.now(); const r=solve(f as never); console.log('solve', Math.round(performance.now()-t), r.walls.length);
const {profile}=await s.post('Profiler.stop') as any;
const self=new Map<string,number>(); const total=new Map<string,number>();
const byId=new Map<number,any>(profile.nodes.map((x:any)=>[x.id,x])); 
const dt=profile.timeDeltas; const hits=new Map<number,number>(); profile.samples.forEach((id:number,i:number)=>hits.set(id,(hits.get(id)??0)+dt[i]));
const name=(x:any)=>`${x.callFrame.functionName||'anon'} ${x.callFrame.url.split('/').pop()}:${x.callFrame.lineNumber}`;
function walk(x:any, stack:string[]):number{ let sum=hits.get(x.id)??0; self.set(name(x),(self.get(name(x))??0)+sum); const st=[...stack,name(x)]; for(const c of x.children??[]) sum+=walk(byId.get(c),st); if(!stack.includes(name(x))) total.set(name(x),(total.get(name(x))??0)+sum); return sum;}
walk(profile.nodes[0],[]);
const top=(m:Map<string,number>,k:number)=>[...m].sort((a,b)=>b[1]-a[1]).slice(0,k).map(([n,v])=>`${Math.round(v/1000)} ms ${n}`).join('\n');
console.log('SELF\n'+top(self,25)); console.log('TOTAL\n'+top(total,45));
