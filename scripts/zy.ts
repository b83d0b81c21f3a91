import { houseOf } from './bench/wired.ts';
import { planRuns, runsByDevice } from '../core/runs/index.ts';
import { CHECKS, runChecks } from '../core/checks/index.ts';
import { moveDevices } from '../core/devices/index.ts';
import { allClashes } from '../core/mounting/index.ts';
import { applyChange, listOf } from '../core/project/index.ts';
let doc:any = houseOf(2000);
let runs = planRuns(doc); runChecks(doc, runs);
const dev = listOf(doc,'devices') as any[];
const T:Record<string,number[]>={}; const tm=(k:string,f:()=>any)=>{const t=performance.now(); const r=f(); (T[k]??=[]).push(performance.now()-t); return r;};
for (let k=0;k<150;k++){ const x:any=doc.devices[dev[(k*37)%dev.length].id]; const m=moveDevices(doc,[{deviceId:x.id,to:[x.x+0.02,x.y]}]); if(!m.ok) continue; const b=doc; const a=applyChange(doc,{operations:m.value}); if(!a.ok) continue; doc=a.value; runs=planRuns(doc);
 tm('runs same '+(b.runs===doc.runs),()=>0);
 tm('listOf',()=>listOf(doc,'devices')); tm('byDevice',()=>runsByDevice(doc)); tm('clashes',()=>allClashes(doc));
 for (const id of ['buildable','legs-complete','ways-fit','bores-allowed']) tm(id,()=> (CHECKS.find(c=>c.id===id) as any).run({document:doc,runs,limit:()=>0}));
 tm('rest',()=>runChecks(doc,runs));
}
for (const [k,v] of Object.entries(T)) { v.splice(0,30); v.sort((a,b)=>a-b); console.log(k, v.length, 'med', v[v.length>>1].toFixed(2), 'p95', v[Math.floor(v.length*.95)].toFixed(2)); }
