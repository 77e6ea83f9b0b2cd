import { demoBags } from '../server/src/demo/index.ts';
import { planned } from '../core/src/plan/index.ts';
import { meshOf } from '../core/src/drape/mesh/mesh.ts';
import { unitOf } from '../core/src/drape/fill.ts';
import { area } from '../core/src/geometry/index.ts';
for (const d of demoBags()) { const a = planned(d); if (!a.ok) continue; const g = a.plan.graph;
 const t0=performance.now(); const m = meshOf(g, unitOf(g)/6); const ms=performance.now()-t0;
 let A=0; for (let t=0;t<m.corners.length;t+=3) A+=area([0,1,2].map(k=>m.vertices[m.corners[t+k]!]!));
 const want = g.facets.filter(f=>!f.tucked).reduce((s,f)=>s+area(f.outline),0);
 // edges manifold
 const e=new Map<string,number>(); for (let t=0;t<m.triangles.length;t+=3) for (let k=0;k<3;k++){const [x,y]=[m.triangles[t+k]!,m.triangles[t+(k+1)%3]!]; const key=x<y?`${x}/${y}`:`${y}/${x}`; e.set(key,(e.get(key)??0)+1);}
 const bad=[...e.values()].filter(n=>n>2).length;
 const chi = m.count - e.size + m.triangles.length/3;
 console.log(d.name.padEnd(34), 'nodes', m.count, 'tris', m.triangles.length/3, 'area', (A/want).toFixed(6), 'rims', m.rims.map(r=>r.length).join(','), 'of', g.rims, 'nonmanifold', bad, 'chi', chi, ms.toFixed(0)+'ms'); }
