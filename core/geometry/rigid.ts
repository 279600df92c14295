import { determinant, Matrix, SingularValueDecomposition } from 'ml-matrix';
import { minus, type Vector } from './solid';

/** Points this near to one line leave the turn about it open: their second spread beside their first. */
const ON_A_LINE = 1e-4;

/**
 * The turn and shift, never a mirror, that lays points upon others of the same order best: least squares of what is left, by singular values (Kabsch,
 * Acta Cryst. A32 (1976) 922). Nothing for fewer than three, or where either lie on one line.
 */
export function rigidFit(
  points: readonly Vector[],
  upon: readonly Vector[],
): ((point: Vector) => Vector) | undefined {
  if (points.length < 3 || points.length !== upon.length) return undefined;
  const [middle, there] = [middleOf(points), middleOf(upon)];
  const [a, b] = [centred(points, middle), centred(upon, there)];
  if (isOnALine(a) || isOnALine(b)) return undefined;
  const svd = new SingularValueDecomposition(a.transpose().mmul(b));
  const [u, v] = [svd.leftSingularVectors, svd.rightSingularVectors];
  const turns = determinant(v.mmul(u.transpose())) < 0 ? -1 : 1;
  const turn = v.mmul(Matrix.diag([1, 1, turns])).mmul(u.transpose());
  return (point) => {
    const turned = turn.mmul(Matrix.columnVector([...minus(point, middle)])).to1DArray();
    return [turned[0]! + there[0], turned[1]! + there[1], turned[2]! + there[2]];
  };
}

const middleOf = (points: readonly Vector[]): Vector => {
  const mean = (k: 0 | 1 | 2) => points.reduce((sum, point) => sum + point[k], 0) / points.length;
  return [mean(0), mean(1), mean(2)];
};
const centred = (points: readonly Vector[], middle: Vector): Matrix =>
  new Matrix(points.map((point) => [...minus(point, middle)]));

function isOnALine(points: Matrix): boolean {
  const [first, second] = new SingularValueDecomposition(points).diagonal;
  return !(second! > ON_A_LINE * first!);
}
