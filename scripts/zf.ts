import { writeFileSync } from 'node:fs';
import { demoBags } from '../server/src/demo/index.ts';
import { planned } from '../core/src/plan/index.ts';
import { measure } from '../core/src/bag/index.ts';
import { fillBag, usualFilling, shapeOf, type Pose } from '../core/src/drape/index.ts';
import { crossings } from '../core/src/drape/crossings.ts';
import { edgePlaces, turned } from '../core/src/drape/body/body.ts';
const arg=(k:string,d:string)=>process.argv.find(a=>a.startsWith(k+'='))?.slice(k.length+1) ?? d;
const only = arg('only',''); const POSE=arg('pose',''); const SOFT=arg('soft',''); const FR=Number(arg('frames','999')); const CELLS=arg('cells','');
const out: unknown[] = [];
for (const d of demoBags()) { if (!d.name.includes(only)) continue; const a = planned(d); if (!a.ok) continue; const g = a.plan.graph;
 const T0=performance.now(); const u=usualFilling(g, a.plan.contents);
 const f=fillBag(g, {...u, ...(POSE?{pose:POSE as Pose}:{}), ...(SOFT?{soft:Number(SOFT)}:{}), ...(CELLS?{cells:Number(CELLS)}:{})}); const setup=performance.now()-T0;
 while (!f.settled && f.frame<FR) f.step();
 const ms=performance.now()-T0; const s=shapeOf(f); const m=measure(g); const {cloth,world,mesh}=f; const tri=cloth.membrane.triangles;
 const c=crossings(cloth.position,tri,1/6); const by: Record<string,number>={}; const face=(t:number)=>mesh.facets[t]?.face??'strap'; const of=(v:number)=>{ for(let t=0;t<tri.length/3;t++) for(let k=0;k<3;k++) if(tri[3*t+k]===v) return face(t); return '?'; }; for(const [a2,,t] of c){const k2=of(a2)+'>'+face(t); by[k2]=(by[k2]??0)+1;}
 console.log(d.name.slice(0,22).padEnd(23), f.pose, String(cloth.count).padStart(5), `${setup.toFixed(0)}+${(ms-setup).toFixed(0)}ms`, f.atRest?'rest '+f.frame:'NOT '+world.speed.toFixed(3), 's95',(s.strain*100).toFixed(2),'max',(s.mostStrain*100).toFixed(1),'box',[s.width,s.height,s.depth].map(x=>x.toFixed(0)).join('x'),'made',[m.width,m.height,m.depth].map(x=>x.toFixed(0)).join('x'), s.volume.toFixed(2)+'l','out',s.sticksOut.toFixed(2),'in',f.contents.length,'left',f.leftOut.length, JSON.stringify(by));
 if (arg('dbg','')) { const v=cloth.velocity; const sp=Array.from({length:cloth.count},(_,i)=>[Math.hypot(cloth.position[3*i]!-world.frameBefore[3*i]!,cloth.position[3*i+1]!-world.frameBefore[3*i+1]!,cloth.position[3*i+2]!-world.frameBefore[3*i+2]!)*60,i] as const).sort((a,b)=>b[0]-a[0]); console.log('   ', sp.slice(0,5).map(([q,i])=>q.toFixed(3)+'@'+[0,1,2].map(k=>(cloth.position[3*i+k]!*cloth.unit).toFixed(0)).join(',')+(i>=mesh.count?' strap':world.mouth.includes(i)?' mouth':'')).join('  '), 'median', sp[Math.floor(sp.length/2)]![0].toFixed(4)); }
 const p=Array.from(f.places()); const t2=Array.from(tri); const fc=[...mesh.facets.map(q=>q.face) as string[], ...Array(tri.length/3-mesh.facets.length).fill('strap')];
 for (const b of f.bodies()) { const half=b.form.is==='box'?b.form.half:null; if (half) { const n0=p.length/3; for(let i=0;i<8;i++){const q=turned(b.turn,[i&1?half[0]:-half[0],i&2?half[1]:-half[1],i&4?half[2]:-half[2]]); p.push(q[0]+b.at[0],q[1]+b.at[1],q[2]+b.at[2]);} for(const [x,y,z,w] of [[0,2,3,1],[4,5,7,6],[0,1,5,4],[2,6,7,3],[0,4,6,2],[1,3,7,5]]) {t2.push(n0+x!,n0+y!,n0+z!,n0+x!,n0+z!,n0+w!); fc.push('body','body');} } else { const n0=p.length/3; const pl=edgePlaces(b.form,1e9); for(const q0 of pl){const q=turned(b.turn,q0); p.push(q[0]+b.at[0],q[1]+b.at[1],q[2]+b.at[2]);} for(let i=0;i<8;i++){const j=(i+1)%8; t2.push(n0+i,n0+j,n0+8+j,n0+i,n0+8+j,n0+8+i); fc.push('body','body');} } }
 out.push({name:d.name+' '+f.pose, unit:cloth.unit, p, tri:t2, facet: fc});
}
writeFileSync('/tmp/filled.json', JSON.stringify(out));
