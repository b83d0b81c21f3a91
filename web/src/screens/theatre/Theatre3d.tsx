import type { ProjectDocument, Room } from '@dusky-spool/core/model';
import { type Theatre, type Inside, pictureCorners, type TheatreFrame } from '@dusky-spool/core/theatre';
import { useEffect, useRef, useState } from 'react';
import * as THREE from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import { text } from '../../ground/text.ts';

import css from './theatre.module.css';

interface Props {
  readonly shown: ProjectDocument;
  readonly room: Room;
  readonly theatre: Theatre;
  readonly frame: TheatreFrame;
  readonly onChoose: (deviceId: string | null) => void;
}

/** The room in three dimensions, to look at and to pick a speaker from by a double click. */
export function Theatre3d({ shown, room, theatre, frame, onChoose }: Props) {
  const host = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  const latest = useRef(onChoose);
  useEffect(() => {
    latest.current = onChoose;
  });
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
    const camera = new THREE.PerspectiveCamera(50, width / Math.max(1, height), 0.05, 100);
    const { fromM, toM } = frame;
    const middle = vector({ asideM: (fromM.asideM + toM.asideM) / 2, awayM: (fromM.awayM + toM.awayM) / 2, upM: 1 });
    camera.position.copy(vector({ asideM: toM.asideM + 2.6, awayM: toM.awayM + 3.6, upM: toM.upM + 4.6 }));
    const controls = new OrbitControls(camera, renderer.domElement);
    controls.target.copy(middle);
    controls.update();
    scene.add(new THREE.HemisphereLight('#fff8ec', '#8a7f9c', 2.6));
    const pickable = fillScene(scene, shown, room, theatre, frame);
    let due = 0;
    const draw = () => {
      due = 0;
      renderer.render(scene, camera);
    };
    const soon = () => {
      due ||= requestAnimationFrame(draw);
    };
    controls.addEventListener('change', soon);
    draw();
    const onPick = (event: MouseEvent) => {
      const box = renderer.domElement.getBoundingClientRect();
      const ray = new THREE.Raycaster();
      ray.setFromCamera(
        new THREE.Vector2(((event.clientX - box.left) / box.width) * 2 - 1, 1 - ((event.clientY - box.top) / box.height) * 2),
        camera,
      );
      const id = ray.intersectObjects(pickable, false)[0]?.object.userData.deviceId as string | undefined;
      latest.current(id ?? null);
    };
    renderer.domElement.addEventListener('dblclick', onPick);
    return () => {
      cancelAnimationFrame(due);
      controls.dispose();
      scene.traverse((object) => {
        if (object instanceof THREE.Mesh || object instanceof THREE.Line) object.geometry.dispose();
      });
      renderer.dispose();
      renderer.domElement.remove();
    };
  }, [shown, room, theatre, frame]);
  return (
    <>
      <div ref={host} className={css.scene} role="img" aria-label={text('theatre.upper.3d')} />
      {failed && <p className="caution">{text('house3d.noWebGl')}</p>}
    </>
  );
}

const vector = ({ asideM, awayM, upM }: Inside) => new THREE.Vector3(asideM, upM, awayM);

const lambert = (color: string, opacity = 1) =>
  new THREE.MeshLambertMaterial({ color, transparent: opacity < 1, opacity, side: THREE.DoubleSide, depthWrite: opacity === 1 });

/** Floor, walls, beams, seats with risers, picture, speakers and the lines to the reference seat. */
function fillScene(
  scene: THREE.Scene,
  project: ProjectDocument,
  room: Room,
  theatre: Theatre,
  frame: TheatreFrame,
): THREE.Object3D[] {
  const pickable: THREE.Object3D[] = [];
  const box = (at: Inside, size: readonly [number, number, number], material: THREE.Material, deviceId?: string) => {
    const mesh = new THREE.Mesh(new THREE.BoxGeometry(...size), material);
    mesh.position.copy(vector(at));
    mesh.userData.deviceId = deviceId;
    scene.add(mesh);
    if (deviceId) pickable.push(mesh);
  };
  const floor = new THREE.Shape(frame.outline.map(({ asideM, awayM }) => new THREE.Vector2(asideM, awayM)));
  const ground = new THREE.Mesh(new THREE.ShapeGeometry(floor), lambert('#d9cfbd'));
  ground.rotation.x = Math.PI / 2;
  ground.position.y = room.floorM;
  scene.add(ground);
  frame.outline.forEach((a, n) => {
    const b = frame.outline[(n + 1) % frame.outline.length];
    const lengthM = Math.hypot(b.asideM - a.asideM, b.awayM - a.awayM);
    const heightM = frame.toM.upM - room.floorM;
    const wall = new THREE.Mesh(new THREE.PlaneGeometry(lengthM, heightM), lambert('#efe7d8', 0.35));
    wall.position.set((a.asideM + b.asideM) / 2, room.floorM + heightM / 2, (a.awayM + b.awayM) / 2);
    wall.rotation.y = -Math.atan2(b.awayM - a.awayM, b.asideM - a.asideM);
    scene.add(wall);
  });
  const seat = lambert('#6d5f8a');
  const wood = lambert('#8a6410', 0.8);
  for (const id of new Set(theatre.seats.map(({ featureId }) => featureId))) {
    const { points, widthM, depthM, bottomM } = project.features[id];
    const at = frame.insideOf([points[0][0], points[0][1], 0]);
    if (bottomM > room.floorM)
      box({ ...at, upM: (bottomM + room.floorM) / 2 }, [widthM + 0.3, bottomM - room.floorM, depthM + 0.4], lambert('#a99fc0'));
    box({ ...at, upM: bottomM + 0.22 }, [widthM, 0.44, depthM], seat);
  }
  for (const { kind, points, widthM, bottomM, topM } of Object.values(project.features)) {
    if (kind !== 'beam' || points.length < 2) continue;
    const [a, b] = [points[0], points[points.length - 1]].map(([x, y]) => frame.insideOf([x, y, (bottomM + topM) / 2]));
    const beam = new THREE.Mesh(
      new THREE.BoxGeometry(Math.hypot(b.asideM - a.asideM, b.awayM - a.awayM), topM - bottomM, widthM),
      wood,
    );
    beam.position.copy(vector({ asideM: (a.asideM + b.asideM) / 2, awayM: (a.awayM + b.awayM) / 2, upM: a.upM }));
    beam.rotation.y = -Math.atan2(b.awayM - a.awayM, b.asideM - a.asideM);
    scene.add(beam);
  }
  if (theatre.picture) {
    const [a, , c] = pictureCorners(theatre.picture, frame);
    const at = { asideM: (a.asideM + c.asideM) / 2, awayM: a.awayM, upM: (a.upM + c.upM) / 2 };
    box(at, [theatre.picture.widthM, theatre.picture.heightM, 0.03], lambert('#fffdf8'), theatre.picture.deviceId);
  }
  const ear = theatre.seats.find(({ isReference }) => isReference);
  theatre.channels.forEach(({ at, deviceId, channel, seats }, n) => {
    const inside = frame.insideOf(at);
    const n0 = theatre.seats.findIndex(({ isReference }) => isReference);
    const isHidden = seats[n0]?.sight === 'blocked';
    box(
      inside,
      channel === 'subwoofer' ? [0.4, 0.4, 0.4] : [0.24, 0.24, 0.1],
      lambert(isHidden ? '#b2373c' : '#b4592a'),
      deviceId,
    );
    if (!ear || channel === 'subwoofer') return;
    const line = new THREE.BufferGeometry().setFromPoints([vector(inside), vector(frame.insideOf([...ear.at, ear.earM]))]);
    scene.add(
      new THREE.Line(
        line,
        new THREE.LineBasicMaterial({ color: isHidden ? '#b2373c' : '#b4592a', transparent: true, opacity: 0.5 + 0.01 * n }),
      ),
    );
  });
  return pickable;
}
