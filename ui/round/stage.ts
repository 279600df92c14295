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

/** Throws where the device has no WebGL. */
export function stageOn(canvas: HTMLCanvasElement): Stage {
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
  let triangles = trianglesOf([]);
  let frame = 0;
  let fine = 1;
  const middle = new Vector3();
  let radius = 1;
  /** Half of what is seen across and up, mm. */
  let seen = { wide: 1, high: 1 };

  const draw = () => renderer.render(scene, camera);
  const later = () => {
    if (frame) return;
    frame = requestAnimationFrame(() => {
      frame = 0;
      draw();
    });
  };
  controls.addEventListener('change', later);

  const resize = () => {
    const { clientWidth: width, clientHeight: height } = canvas;
    if (!(width > 0 && height > 0)) return;
    renderer.setPixelRatio(Math.min(2, window.devicePixelRatio) * fine);
    renderer.setSize(width, height, false);
    const wide = width / height;
    const half = Math.max(seen.high, seen.wide / wide) * ROUND_IT;
    [camera.left, camera.right, camera.top, camera.bottom] = [-half * wide, half * wide, half, -half];
    [camera.near, camera.far] = [-20 * radius, 20 * radius];
    camera.updateProjectionMatrix();
    later();
  };
  const paint = () => {
    const style = getComputedStyle(canvas);
    const known = new Map<string, Color>();
    const colourOf = (tone: string): Color => {
      const colour = known.get(tone) ?? new Color(style.getPropertyValue(`--${tone}`).trim() || '#888');
      known.set(tone, colour);
      return colour;
    };
    const colours = triangles.owners.flatMap((face) => {
      const { r, g, b } = colourOf(toneOf(face));
      return [r, g, b, r, g, b, r, g, b];
    });
    mesh.geometry.setAttribute('color', new BufferAttribute(new Float32Array(colours), 3));
    later();
  };
  const pull = (byMm: number) => {
    const { positions, outs } = triangles;
    const moved = Float32Array.from(positions, (mm, k) => mm + byMm * outs[k]!);
    mesh.geometry.setAttribute('position', new BufferAttribute(moved, 3));
    later();
  };
  return {
    show: (faces) => {
      triangles = trianglesOf(faces);
      mesh.geometry.dispose();
      mesh.geometry = new BufferGeometry();
      pull(0);
      mesh.geometry.setAttribute('normal', new BufferAttribute(new Float32Array(triangles.normals), 3));
      mesh.geometry.computeBoundingBox();
      const bounds = mesh.geometry.boundingBox;
      if (bounds && triangles.owners.length > 0) {
        bounds.getCenter(middle);
        radius = 0.5 * bounds.min.distanceTo(bounds.max);
      }
      controls.target.copy(middle);
      paint();
      resize();
    },
    pull,
    lookFrom: (look) => {
      const { toEye, right, up } = eyeOf(look);
      const [across, upward] = [right, up].map((axis) => spanOf(triangles.owners, axis));
      seen = { wide: (across![1] - across![0]) / 2, high: (upward![1] - upward![0]) / 2 };
      const [x, y, z] = [0, 1, 2].map(
        (k) => (right[k]! * (across![0] + across![1]) + up[k]! * (upward![0] + upward![1])) / 2,
      );
      middle.set(x!, y!, z!);
      camera.position.copy(middle).addScaledVector(new Vector3(...toEye), 3 * radius);
      camera.zoom = 1;
      camera.updateProjectionMatrix();
      controls.target.copy(middle);
      controls.update();
      resize();
    },
    resize,
    repaint: paint,
    framesPerSecond: (frames) => {
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
    },
    finer: () => {
      fine = 1.6;
      resize();
    },
    dispose: () => {
      cancelAnimationFrame(frame);
      controls.dispose();
      mesh.geometry.dispose();
      material.dispose();
      renderer.dispose();
    },
  };
}
