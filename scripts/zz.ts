import { houseOf } from './bench/wired.ts';
import { planRuns } from '../core/runs/index.ts';
import { CHECKS, runChecks } from '../core/checks/index.ts';
import { moveDevices } from '../core/devices/index.ts';
import { applyChange, listOf } from '../core/project/index.ts';
const spent = new Map<string, number>(); const calls = new Map<string, number>();
for (const c of CHECKS as any[]) for (const k of ['run','ofRun','ofDevice']) if (c[k]) { const f=c[k]; c[k]=(...a:any[])=>{const t=performance.now(); const r=f(...a); spent.set(c.id,(spent.get(c.id)??0)+performance.now()-t); calls.set(c.id,(calls.get(c.id)??0)+1); return r;}; }
let doc:any = houseOf(2000);
let t0=performance.now(); let runs = planRuns(doc); console.log('plan cold', performance.now()-t0);
t0=performance.now(); let f=runChecks(doc, runs); console.log('checks cold', performance.now()-t0, f.length, f.filter(x=>x.rank==='fine').length);
console.log([...spent].sort((a,b)=>b[1]-a[1]).slice(0,14).map(([k,v])=>k+' '+v.toFixed(0)).join('\n'));
spent.clear();calls.clear();
const dev = listOf(doc,'devices') as any[]; let all:number[]=[], plans:number[]=[];
const N=150;
for (let k=0;k<N;k++){ if(k===50){spent.clear();calls.clear();} const x:any=doc.devices[dev[(k*37)%dev.length].id]; const m=moveDevices(doc,[{deviceId:x.id,to:[x.x+0.02,x.y]}]); if(!m.ok) continue; const a=applyChange(doc,{operations:m.value}); if(!a.ok) continue; doc=a.value; const t=performance.now(); runs=planRuns(doc); const t2=performance.now(); plans.push(t2-t); runChecks(doc, runs); if(k>=50) all.push(performance.now()-t2); }
all.sort((a,b)=>a-b); plans.sort((a,b)=>a-b);
console.log('plan med', plans[plans.length>>1].toFixed(1), 'move med', all[all.length>>1].toFixed(1), 'p95', all[Math.floor(all.length*.95)].toFixed(1), 'min', all[0].toFixed(1));
let s=0; for (const v of spent.values()) s+=v; console.log('in checks per move', (s/all.length).toFixed(2));
console.log([...spent].sort((a,b)=>b[1]-a[1]).slice(0,20).map(([k,v])=>k+' '+(v/all.length).toFixed(2)+' '+(calls.get(k)!/all.length).toFixed(1)).join('\n'));
