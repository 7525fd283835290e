/**
 * Cholesky solution of a symmetric positive matrix, lower half row by row, both arguments overwritten.
 * @param first first column of each row that is not zero: nothing before it is touched
 */
export function solveEnvelope(matrix: Float64Array, first: Int32Array, right: Float64Array): void {
  const size = right.length;
  for (let i = 0; i < size; i++) {
    const row = i * size;
    for (let j = first[i]!; j <= i; j++) {
      const other = j * size;
      let value = matrix[row + j]!;
      for (let k = Math.max(first[i]!, first[j]!); k < j; k++) value -= matrix[row + k]! * matrix[other + k]!;
      matrix[row + j] = j === i ? Math.sqrt(Math.max(value, 1e-12)) : value / matrix[other + j]!;
    }
  }
  for (let i = 0; i < size; i++) {
    let value = right[i]!;
    for (let k = first[i]!; k < i; k++) value -= matrix[i * size + k]! * right[k]!;
    right[i] = value / matrix[i * size + i]!;
  }
  for (let i = size - 1; i >= 0; i--) {
    right[i]! /= matrix[i * size + i]!;
    for (let k = first[i]!; k < i; k++) right[k]! -= matrix[i * size + k]! * right[i]!;
  }
}
