import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Mesh,
  MeshLambertMaterial,
  OrthographicCamera,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { dot, eyeOf, normalOf, type Look, type Vector } from '@/core/geometry';
import type { RoundFace } from '@/core/job';
import { toneOf } from './tones';

/** A picture in the round on a canvas: turned by finger, wheel and keys; drawn only when something of it changed. */
export interface Stage {
  readonly show: (faces: readonly RoundFace[]) => void;
  readonly pull: (byMm: number) => void;
  readonly lookFrom: (look: Look) => void;
  readonly resize: () => void;
  /** Colours are read anew. */
  readonly repaint: () => void;
  /** Frames a second, drawn as fast as they come while it is turned once round; heard by nobody else. */
  readonly framesPerSecond: (frames: number) => number;
  /** Drawn finer: where there is speed to spare. */
  readonly finer: () => void;
  readonly dispose: () => void;
}

/** Corners of the faces as triangles: positions, where they go when it is pulled apart, normals. */
function trianglesOf(faces: readonly RoundFace[]) {
  const [positions, outs, normals]: [number[], number[], number[]] = [[], [], []];
  const owners: RoundFace[] = [];
  for (const face of faces) {
    const normal = normalOf(face.corners);
    for (let k = 2; k < face.corners.length; k++) {
      for (const corner of [face.corners[0]!, face.corners[k - 1]!, face.corners[k]!]) {
        positions.push(...corner);
        outs.push(...face.out);
        normals.push(...normal);
      }
      owners.push(face);
    }
  }
  return { positions, outs, normals, owners };
}

/** Room round what is shown. */
const ROUND_IT = 1.06;

/** From where to where faces reach along a direction, mm. */
function spanOf(faces: readonly RoundFace[], axis: Vector): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const { corners } of faces)
    for (const corner of corners) {
      const mm = dot(corner, axis);
      low = Math.min(low, mm);
      high = Math.max(high, mm);
    }
  return low <= high ? [low, high] : [-1, 1];
}

/** The canvas as it is set up once: lamp, camera, what turns it, and a shape to fill. */
function furnish(canvas: HTMLCanvasElement) {
  const renderer = new WebGLRenderer({ canvas, antialias: false, alpha: true });
  const scene = new Scene();
  const camera = new OrthographicCamera();
  const controls = new OrbitControls(camera, canvas);
  controls.enableDamping = false;
  scene.add(new AmbientLight(0xffffff, 2.5));
  const lamp = new DirectionalLight(0xffffff, 0.9);
  camera.add(lamp);
  lamp.position.set(-0.4, 0.8, 1);
  scene.add(camera);
  const material = new MeshLambertMaterial({ vertexColors: true, side: DoubleSide });
  const mesh = new Mesh(new BufferGeometry(), material);
  scene.add(mesh);
  return { canvas, renderer, camera, controls, material, mesh, draw: () => renderer.render(scene, camera) };
}
type OnStage = ReturnType<typeof furnish>;

/** A call that is made once before the next frame, however often it is asked for. */
function onceAFrame(draw: () => void) {
  let frame = 0;
  const later = () => {
    if (frame) return;
    frame = requestAnimationFrame(() => {
      frame = 0;
      draw();
    });
  };
  return { later, cancel: () => cancelAnimationFrame(frame) };
}

/** Drawn again as it is turned, and when the drawing is given back: a phone takes it from a page that is not in sight. */
function redrawn({ canvas, controls, draw }: OnStage) {
  const { later, cancel } = onceAFrame(draw);
  controls.addEventListener('change', later);
  canvas.addEventListener('webglcontextrestored', later);
  return {
    later,
    cancel: () => {
      cancel();
      canvas.removeEventListener('webglcontextrestored', later);
    },
  };
}

type Triangles = ReturnType<typeof trianglesOf>;

/** Red, green, blue of every corner, each tone as the page has it now. */
function coloursOf(canvas: HTMLCanvasElement, { owners }: Triangles): Float32Array {
  const style = getComputedStyle(canvas);
  const known = new Map<string, Color>();
  const colourOf = (tone: string): Color => {
    const colour = known.get(tone) ?? new Color(style.getPropertyValue(`--${tone}`).trim() || '#888');
    known.set(tone, colour);
    return colour;
  };
  return new Float32Array(
    owners.flatMap((face) => {
      const { r, g, b } = colourOf(toneOf(face));
      return [r, g, b, r, g, b, r, g, b];
    }),
  );
}

/** Where its corners are once it is pulled apart. */
const pulledBy = ({ positions, outs }: Triangles, byMm: number): Float32Array =>
  Float32Array.from(positions, (mm, k) => mm + byMm * outs[k]!);

const put = (mesh: OnStage['mesh'], name: 'position' | 'normal' | 'color', values: Float32Array) =>
  mesh.geometry.setAttribute(name, new BufferAttribute(values, 3));

/** Gives the mesh these triangles, together as they stand; says how far they reach. */
function shaped(mesh: OnStage['mesh'], triangles: Triangles) {
  mesh.geometry.dispose();
  mesh.geometry = new BufferGeometry();
  put(mesh, 'position', pulledBy(triangles, 0));
  put(mesh, 'normal', new Float32Array(triangles.normals));
  mesh.geometry.computeBoundingBox();
  return mesh.geometry.boundingBox;
}

/** The middle of what is seen from a look, and half of how far it reaches across and up, mm. */
function extentOf(faces: readonly RoundFace[], { right, up }: { right: Vector; up: Vector }) {
  const [across, upward] = [spanOf(faces, right), spanOf(faces, up)];
  const at = (k: 0 | 1 | 2) => (right[k] * (across[0] + across[1]) + up[k] * (upward[0] + upward[1])) / 2;
  return {
    middle: new Vector3(at(0), at(1), at(2)),
    wide: (across[1] - across[0]) / 2,
    high: (upward[1] - upward[0]) / 2,
  };
}

/** Turned once round in so many frames, each waited for; how many that is a second. */
function framesPerSecond({ camera, controls, renderer, draw }: OnStage, frames: number): number {
  const before = camera.position.clone();
  const offset = camera.position.clone().sub(controls.target);
  const pixel = new Uint8Array(4);
  const gl = renderer.getContext();
  let start = 0;
  // The first one makes the shaders, and is not counted.
  for (let k = -1; k < frames; k++) {
    if (k === 0) start = performance.now();
    offset.applyAxisAngle(new Vector3(0, 1, 0), (2 * Math.PI) / frames);
    camera.position.copy(controls.target).add(offset);
    camera.lookAt(controls.target);
    draw();
    // Waits until it is drawn.
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
  }
  const spentMs = performance.now() - start;
  camera.position.copy(before);
  camera.lookAt(controls.target);
  draw();
  return (1000 * frames) / spentMs;
}

/** What the camera takes in: half of what is seen across and up, and how far the whole reaches, mm. */
interface Seen {
  readonly wide: number;
  readonly high: number;
  readonly radius: number;
}

/** The canvas at its size on the page, drawn so much finer; the camera takes in what is seen. */
function fit({ canvas, renderer, camera }: OnStage, seen: Seen, fine: number): void {
  const { clientWidth: width, clientHeight: height } = canvas;
  if (!(width > 0 && height > 0)) return;
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio) * fine);
  renderer.setSize(width, height, false);
  const wide = width / height;
  const half = Math.max(seen.high, seen.wide / wide) * ROUND_IT;
  [camera.left, camera.right, camera.top, camera.bottom] = [-half * wide, half * wide, half, -half];
  [camera.near, camera.far] = [-20 * seen.radius, 20 * seen.radius];
  camera.updateProjectionMatrix();
}

/** Throws where the device has no WebGL. */
export function stageOn(canvas: HTMLCanvasElement): Stage {
  const on = furnish(canvas);
  const { renderer, camera, controls, material, mesh } = on;
  const { later, cancel } = redrawn(on);
  let triangles = trianglesOf([]);
  let fine = 1;
  let seen: Seen = { wide: 1, high: 1, radius: 1 };

  const resize = () => {
    fit(on, seen, fine);
    later();
  };
  const repaint = () => {
    put(mesh, 'color', coloursOf(canvas, triangles));
    later();
  };
  const pull = (byMm: number) => {
    put(mesh, 'position', pulledBy(triangles, byMm));
    later();
  };
  return {
    show: (faces) => {
      triangles = trianglesOf(faces);
      const bounds = shaped(mesh, triangles);
      if (bounds && triangles.owners.length > 0) {
        bounds.getCenter(controls.target);
        seen = { ...seen, radius: 0.5 * bounds.min.distanceTo(bounds.max) };
      }
      repaint();
      resize();
    },
    pull,
    lookFrom: (look) => {
      const eye = eyeOf(look);
      const { middle, wide, high } = extentOf(triangles.owners, eye);
      seen = { ...seen, wide, high };
      camera.position.copy(middle).addScaledVector(new Vector3(...eye.toEye), 3 * seen.radius);
      camera.zoom = 1;
      camera.updateProjectionMatrix();
      controls.target.copy(middle);
      controls.update();
      resize();
    },
    resize,
    repaint,
    framesPerSecond: (frames) => framesPerSecond(on, frames),
    finer: () => {
      fine = 1.6;
      resize();
    },
    dispose: () => {
      cancel();
      controls.dispose();
      mesh.geometry.dispose();
      material.dispose();
      renderer.dispose();
    },
  };
}
