import { useProject } from '../../state/open-project.ts';
import { ceilingHeightAt, ceilingHeightOf, projectBounds, slopeOf, wallPoint } from '@dusky-spool/core/house';
import type { Level, ProjectDocument, Room, Wall } from '@dusky-spool/core/model';
import type { PlannedRun } from '@dusky-spool/core/runs';
import { text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { useDerived } from '../../state/derived.ts';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { useEffect, useRef, useState } from 'react';
import { Button, Checkbox } from 'antd';
import * as THREE from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import css from './survey.module.css';

interface Props {
  readonly selection: Selection;
  readonly onSelect: (selection: Selection, levelId: string) => void;
  readonly onBack: () => void;
}

interface Picked {
  readonly selection: Selection;
  readonly levelId: string;
}

/** The whole house with its cavities and runs: to look at and to pick from, not to edit. */
export function House3d({ selection, onSelect, onBack }: Props) {
  const project = useProject();
  const { runs } = useDerived(project);
  const host = useRef<HTMLDivElement>(null);
  const [cavities, setCavities] = useState(true);
  const [failed, setFailed] = useState(false);
  const latest = useRef(onSelect);
  useEffect(() => {
    latest.current = onSelect;
  });
  const chosen = selection.ids.join();
  useEffect(() => {
    const element = host.current;
    if (!element) return;
    let renderer: THREE.WebGLRenderer;
    try {
      renderer = new THREE.WebGLRenderer({ antialias: true, alpha: true });
    } catch {
      queueMicrotask(() => setFailed(true));
      return;
    }
    const { clientWidth: width, clientHeight: height } = element;
    renderer.setSize(width, height);
    element.append(renderer.domElement);
    const scene = new THREE.Scene();
    const camera = new THREE.PerspectiveCamera(45, width / Math.max(1, height), 0.1, 500);
    const b = projectBounds(project) ?? { minX: 0, minY: 0, maxX: 10, maxY: 10 };
    const [cx, cy] = [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2];
    const span = Math.max(b.maxX - b.minX, b.maxY - b.minY, 6);
    camera.position.set(cx + span * 0.82, span * 0.93, -cy + span * 1.04);
    const controls = new OrbitControls(camera, renderer.domElement);
    controls.target.set(cx, 1.5, -cy);
    controls.update();
    scene.add(new THREE.HemisphereLight('#fff8ec', '#8a7f9c', 2.2));
    const sun = new THREE.DirectionalLight('#ffffff', 1.6);
    sun.position.set(cx + 10, 30, -cy + 16);
    scene.add(sun);
    const pickable = buildHouse(scene, project, runs, cavities, new Set(chosen.split(',')));
    let frame = 0;
    const draw = () => {
      frame = 0;
      renderer.render(scene, camera);
    };
    const soon = () => {
      frame ||= requestAnimationFrame(draw);
    };
    controls.addEventListener('change', soon);
    draw();
    const onClick = (event: MouseEvent) => {
      const box = renderer.domElement.getBoundingClientRect();
      const ray = new THREE.Raycaster();
      ray.params.Line.threshold = 0.08;
      ray.setFromCamera(
        new THREE.Vector2(((event.clientX - box.left) / box.width) * 2 - 1, 1 - ((event.clientY - box.top) / box.height) * 2),
        camera,
      );
      const hits = ray.intersectObjects(pickable, false);
      const hit = hits.find(({ object }) => object instanceof THREE.Line) ?? hits[0];
      const picked = hit?.object.userData.picked as Picked | undefined;
      if (picked) latest.current(picked.selection, picked.levelId);
    };
    renderer.domElement.addEventListener('dblclick', onClick);
    return () => {
      cancelAnimationFrame(frame);
      controls.dispose();
      scene.traverse((object) => {
        if (object instanceof THREE.Mesh || object instanceof THREE.Line) object.geometry.dispose();
      });
      renderer.dispose();
      renderer.domElement.remove();
    };
  }, [project, runs, cavities, chosen]);
  return (
    <div className="elevation house-3d">
      <header>
        <Button size="small" onClick={onBack}>
          ‹ {text('schedule.toPlan')}
        </Button>
        <h2>{text('survey.threeD')}</h2>
        <span className="grow" />
        <Checkbox checked={cavities} onChange={(event) => setCavities(event.target.checked)}>
          {text('house3d.cavities')}
        </Checkbox>
      </header>
      <div ref={host} className={css.houseView} role="img" aria-label={text('house3d.label')} />
      {failed && <p className="caution">{text('house3d.noWebGl')}</p>}
      <footer className="faint">{text('house3d.hint')}</footer>
    </div>
  );
}

/** Fills the scene; plan y runs away from the viewer. Returns what can be picked. */
function buildHouse(
  scene: THREE.Scene,
  project: ProjectDocument,
  runs: readonly PlannedRun[],
  cavities: boolean,
  chosen: ReadonlySet<string>,
): THREE.Object3D[] {
  const pickable: THREE.Object3D[] = [];
  const add = (object: THREE.Object3D, picked?: Picked) => {
    object.userData.picked = picked;
    scene.add(object);
    if (picked) pickable.push(object);
  };
  const wood = new THREE.MeshLambertMaterial({ color: '#efe7d8' });
  const stone = new THREE.MeshLambertMaterial({ color: '#b9a7a4' });
  const copper = new THREE.MeshLambertMaterial({ color: '#b4592a' });
  const floor = new THREE.MeshLambertMaterial({ color: '#d9cfbd', side: THREE.DoubleSide });
  const cavity = new THREE.MeshLambertMaterial({
    color: '#b4592a',
    transparent: true,
    opacity: 0.1,
    side: THREE.DoubleSide,
    depthWrite: false,
  });
  const solid = new THREE.MeshLambertMaterial({ color: '#8a6410', transparent: true, opacity: 0.75 });
  for (const wall of Object.values(project.walls)) {
    const level = project.levels[wall.levelId];
    const top = wall.heightM ?? level.ceilingHeightM;
    const material = chosen.has(wall.id) ? copper : wall.kind === 'masonry' || wall.kind === 'concrete' ? stone : wood;
    for (const [from, to, low, high] of solidParts(project, wall, top))
      add(box(wall, from, to, level.elevationM + low, level.elevationM + high, material), {
        selection: { kind: 'wall', ids: [wall.id] },
        levelId: wall.levelId,
      });
  }
  for (const room of Object.values(project.rooms)) {
    const level = project.levels[room.levelId];
    const shape = new THREE.Shape(room.polygon.map(([x, y]) => new THREE.Vector2(x, y)));
    const ground = new THREE.Mesh(new THREE.ShapeGeometry(shape), chosen.has(room.id) ? copper : floor);
    ground.rotation.x = -Math.PI / 2;
    ground.position.y = level.elevationM + room.floorM;
    add(ground, { selection: { kind: 'room', ids: [room.id] }, levelId: room.levelId });
    if (cavities && slopeOf(room)) add(slopedCeiling(room, level, cavity));
    else if (cavities && room.framing !== 'none' && room.framing !== 'slab' && level.cavityDepthM > 0) {
      const space = new THREE.Mesh(new THREE.ExtrudeGeometry(shape, { depth: level.cavityDepthM, bevelEnabled: false }), cavity);
      space.rotation.x = -Math.PI / 2;
      space.position.y = level.elevationM + ceilingHeightOf(room, level);
      add(space);
    }
  }
  for (const riser of Object.values(project.risers)) {
    const [low, high] = [project.levels[riser.bottomLevelId], project.levels[riser.topLevelId]];
    const height = high.elevationM + high.ceilingHeightM - low.elevationM;
    const shaft = new THREE.Mesh(
      new THREE.BoxGeometry(riser.widthM, height, riser.depthM),
      new THREE.MeshLambertMaterial({ color: '#b4592a', transparent: true, opacity: 0.35 }),
    );
    shaft.position.set(riser.x, low.elevationM + height / 2, -riser.y);
    add(shaft, { selection: { kind: 'riser', ids: [riser.id] }, levelId: riser.bottomLevelId });
  }
  for (const rack of Object.values(project.racks)) {
    const cabinet = new THREE.Mesh(
      new THREE.BoxGeometry(rack.widthM, 2, rack.depthM),
      new THREE.MeshLambertMaterial({ color: '#2f2740' }),
    );
    cabinet.position.set(rack.x, project.levels[rack.levelId].elevationM + 1, -rack.y);
    cabinet.rotation.y = rack.facingRad;
    add(cabinet, { selection: { kind: 'rack', ids: [rack.id] }, levelId: rack.levelId });
  }
  for (const feature of Object.values(project.features)) {
    const level = project.levels[feature.levelId];
    const height = Math.max(0.02, feature.topM - feature.bottomM);
    const picked = { selection: { kind: 'feature' as const, ids: [feature.id] }, levelId: feature.levelId };
    if (feature.area) {
      const mesh = new THREE.Mesh(
        new THREE.ExtrudeGeometry(new THREE.Shape(feature.points.map(([x, y]) => new THREE.Vector2(x, y))), {
          depth: height,
          bevelEnabled: false,
        }),
        solid,
      );
      mesh.rotation.x = -Math.PI / 2;
      mesh.position.y = level.elevationM + feature.bottomM;
      add(mesh, picked);
    } else if (feature.points.length > 1) {
      feature.points.slice(1).forEach((to, i) => {
        const length = Math.hypot(to[0] - feature.points[i][0], to[1] - feature.points[i][1]);
        if (length > 1e-6)
          add(
            box(
              { a: feature.points[i], b: to, thicknessM: Math.max(0.03, feature.widthM) },
              0,
              length,
              level.elevationM + feature.bottomM,
              level.elevationM + feature.bottomM + height,
              solid,
            ),
            picked,
          );
      });
    } else {
      const mesh = new THREE.Mesh(new THREE.BoxGeometry(feature.widthM, height, feature.depthM || feature.widthM), solid);
      mesh.position.set(feature.points[0][0], level.elevationM + feature.bottomM + height / 2, -feature.points[0][1]);
      mesh.rotation.y = feature.facingRad;
      add(mesh, picked);
    }
  }
  for (const { run, points, device } of runs) {
    if (points.length < 2) continue;
    const { colour } = SYSTEM_STYLE[project.deviceTypes[device.typeId].system];
    const hex =
      getComputedStyle(document.documentElement)
        .getPropertyValue(colour.replace(/^var\((.*)\)$/, '$1'))
        .trim() || '#b4592a';
    const line = new THREE.Line(
      new THREE.BufferGeometry().setFromPoints(points.map(([x, y, z]) => new THREE.Vector3(x, z, -y))),
      new THREE.LineBasicMaterial({ color: hex }),
    );
    add(line, { selection: { kind: 'run', ids: [run.id] }, levelId: device.levelId });
  }
  return pickable;
}

/** The underside of a sloped or vaulted ceiling: a sheet for each slope. */
function slopedCeiling(room: Room, level: Level, material: THREE.Material): THREE.Group {
  const group = new THREE.Group();
  const angle = room.slope?.angleRad ?? 0;
  const up = ([x, y]: readonly [number, number]) => x * Math.cos(angle) + y * Math.sin(angle);
  const all = room.polygon.map(up);
  const ridge = (Math.min(...all) + Math.max(...all)) / 2;
  const parts =
    room.ceilingKind === 'vaulted'
      ? [clipped(room.polygon, (p) => ridge - up(p)), clipped(room.polygon, (p) => up(p) - ridge)]
      : [room.polygon];
  for (const part of parts) {
    if (part.length < 3) continue;
    const sheet = new THREE.ShapeGeometry(new THREE.Shape(part.map(([x, y]) => new THREE.Vector2(x, y))));
    const places = sheet.getAttribute('position');
    for (let i = 0; i < places.count; i++)
      places.setZ(i, level.elevationM + ceilingHeightAt(room, level, [places.getX(i), places.getY(i)]));
    const mesh = new THREE.Mesh(sheet, material);
    mesh.rotation.x = -Math.PI / 2;
    group.add(mesh);
  }
  return group;
}

/** The part of a polygon where `side` is not negative. */
function clipped(polygon: Room['polygon'], side: (p: [number, number]) => number): [number, number][] {
  return polygon.flatMap((p, i): [number, number][] => {
    const q = polygon[(i + 1) % polygon.length];
    const [s, t] = [side(p), side(q)];
    const here: [number, number][] = s >= 0 ? [p] : [];
    if (s * t >= 0) return here;
    const share = s / (s - t);
    return [...here, [p[0] + (q[0] - p[0]) * share, p[1] + (q[1] - p[1]) * share]];
  });
}

type Strip = Pick<Wall, 'a' | 'b' | 'thicknessM'>;

function box(wall: Strip, from: number, to: number, low: number, high: number, material: THREE.Material): THREE.Mesh {
  const mesh = new THREE.Mesh(new THREE.BoxGeometry(to - from, high - low, wall.thicknessM), material);
  const [x, y] = wallPoint(wall as Wall, (from + to) / 2);
  mesh.position.set(x, (low + high) / 2, -y);
  mesh.rotation.y = Math.atan2(wall.b[1] - wall.a[1], wall.b[0] - wall.a[0]);
  return mesh;
}

/** The solid parts of a wall around its openings: from, to, low, high. */
function solidParts(project: ProjectDocument, wall: Wall, top: number): [number, number, number, number][] {
  const length = Math.hypot(wall.b[0] - wall.a[0], wall.b[1] - wall.a[1]);
  const openings = Object.values(project.openings)
    .filter((opening) => opening.wallId === wall.id)
    .sort((a, b) => a.offsetM - b.offsetM);
  const parts: [number, number, number, number][] = [];
  let at = -wall.thicknessM / 2;
  for (const { offsetM, widthM, sillM, headM } of openings) {
    const [from, to] = [offsetM - widthM / 2, offsetM + widthM / 2];
    if (from > at) parts.push([at, from, 0, top]);
    if (sillM > 0.01) parts.push([from, to, 0, sillM]);
    if (headM < top - 0.01) parts.push([from, to, headM, top]);
    at = Math.max(at, to);
  }
  if (at < length + wall.thicknessM / 2) parts.push([at, length + wall.thicknessM / 2, 0, top]);
  return parts;
}
