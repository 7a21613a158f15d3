import { Session } from 'node:inspector/promises';
import { readFileSync } from 'node:fs';
import { Solver, solve } from '@/core/solving/solve';
import { deltaOf } from '@/core/solving/solved-delta';
import { run, levelName } from './tower';
import { recordsOf } from '@/core/model/framework';
const n=Number(process.argv[2]??25);
const f={records:new Map(JSON.parse(readFileSync(`/tmp/fur${n}.json`,'utf8')))} as never as import('@/core/model/framework').Framework;
const ms=(w:()=>unknown)=>{const t=performance.now(); const r=w(); return [performance.now()-t,r] as const;};
solve(f);
const full=Math.min(...[1,2,3].map(()=>ms(()=>solve(f))[0]));
console.log('full', Math.round(full));
const mid=levelName(Math.floor(n/2));
const room=recordsOf(f,'room')[recordsOf(f,'room').length>>1]!;
const wall=recordsOf(f,'wall').find(w=>w.name==='P3.4.4.e')!;
const edits:[string,(i:number)=>import('@/core/model/framework').Framework][]=[
 ['title',i=>run(f,'levels.rename',{level:mid,title:`T${i}`})],
 ['room',i=>run(f,'rooms.change',{room:room.id,name:`R${i}`})],
 ['push',i=>run(f,'levels.setHeight',{level:mid,heightMm:3610+i,mode:'push'})],
 ['wall',i=>run(f,'elements.move',{ids:[wall.id],xMm:0,yMm:100+i})],
 ['shaft',i=>run(f,'shafts.change',{shaft:'S7',outline:{type:'rectangle',place:'87000,27000',widthMm:2400+i*10,depthMm:2700}})],
];
for(const [name,make] of edits){
 const s=new Solver(); let before=s.solve(f); const states=[0,1,2,3,4,5,6].map(make);

 const S=new Session(); S.connect(); await S.post('Profiler.enable'); await S.post('Profiler.setSamplingInterval',{interval:200}); await S.post('Profiler.start');
 const times:number[]=[]; let bytes=0;
 const r0=new Map((s as any).graph.runs);
 for(const st of states){ const [t,r]=ms(()=>s.solve(st)); times.push(t); const d=deltaOf(before,r as never); before=r as never; bytes=JSON.stringify(d).length; }
 if(process.argv[3]===name) report(((await S.post('Profiler.stop')) as any).profile);
 times.sort((a,b)=>a-b);
 const runs=[...(s as any).graph.runs].map(([k,v]:any)=>[k,Math.round((v-(r0.get(k) as number??0))/7)]).filter((x:any)=>x[1]>0).sort((a:any,b:any)=>b[1]-a[1]).slice(0,7);
 console.log(name, times[3]!.toFixed(1),'ms  1/'+Math.round(full/times[3]!), 'bytes', bytes, JSON.stringify(runs));
}

function report(profile:any){const self=new Map<string,number>(); const total=new Map<string,number>();
const byId=new Map<number,any>(profile.nodes.map((x:any)=>[x.id,x])); 
const dt=profile.timeDeltas; const hits=new Map<number,number>(); profile.samples.forEach((id:number,i:number)=>hits.set(id,(hits.get(id)??0)+dt[i]));
const name=(x:any)=>`${x.callFrame.functionName||'anon'} ${x.callFrame.url.split('/').pop()}:${x.callFrame.lineNumber}:${x.callFrame.columnNumber}`;
function walk(x:any, stack:string[]):number{ let sum=hits.get(x.id)??0; self.set(name(x),(self.get(name(x))??0)+sum); const st=[...stack,name(x)]; for(const c of x.children??[]) sum+=walk(byId.get(c),st); if(!stack.includes(name(x))) total.set(name(x),(total.get(name(x))??0)+sum); return sum;}
walk(profile.nodes[0],[]);
const top=(m:Map<string,number>,k:number)=>[...m].sort((a,b)=>b[1]-a[1]).slice(0,k).map(([n,v])=>`${(v/7000).toFixed(1)} ms ${n}`).join('\n');
console.log('SELF\n'+top(self,18)); console.log('TOTAL\n'+top(total,40));}
