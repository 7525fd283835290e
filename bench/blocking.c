/* The contact and removal of core/src/blocking in C, to see what the language costs: the same algorithm, the same
 * numbers. Reads a task (see blocking-in-c.mjs) from stdin; prints milliseconds, contact solves and film left. */
#define _POSIX_C_SOURCE 199309L
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

enum { SUMS = 11, PRESS = 5, ACROSS = 8, MOST = 64, MOST_STEPS = 40, MOST_HALVINGS = 12 };
static const double TOLERANCE = 1e-3;
static const double SHAPES[3][3][3] = {
    {{0}}, {{1, -1, 0}, {0, 1, 0}}, {{0.5, -1, 0.5}, {0.5, 1, -1}, {0, 0, 0.5}}};
static const double LOADS[3][3] = {{0}, {0.5, 0.5, 0}, {1 / 6., 4 / 6., 1 / 6.}};

typedef struct {
  double nx, ny, cellMm, lengthMm, widthMm, padNPerMm3, bendingNMm2, nSpans, degree, forceN, nearShare, stepMm,
      filmRate, underRatio, scratchUm, nStrokes;
} Task;
typedef struct { double fromX, fromY, toX, toY, turn; } Stroke;

static Task T;
static int nx, ny, nSpans, degree, size, nRuns, nSettled, nTouching;
static float *top, *film, *guide, *scratch;
static int *runStart, *runEnd, *runSpan, first[MOST];
static double *runT, *runV, tCell, vCell, tRow, vRow;
static double rest[MOST], guess[MOST], drift[MOST], trial[MOST], step[MOST], load[MOST], poly[3 * MOST];
static double sums[SUMS * MOST], powers[9], matrix[MOST * MOST], cellN, bendN, squared, acrossSquared, acrossPress;

static void narrow(double at, double slope, double least, double most, int *low, int *high) {
  if (fabs(slope) < 1e-9) {
    if (at < least || at > most) *high = -1;
    return;
  }
  double a = (least - at) / slope, b = (most - at) / slope;
  int lo = (int)ceil(fmin(a, b) - 1e-9), hi = (int)floor(fmax(a, b) + 1e-9);
  if (lo > *low) *low = lo;
  if (hi < *high) *high = hi;
}

static void cut(int rowStart, double s0, double v0, int low, int high) {
  int end = high + 1;
  for (int x = low; x < end;) {
    double s = s0 + x * tCell;
    int span = (int)floor(s + 1e-9), next = end;
    span = span < 0 ? 0 : span > nSpans - 1 ? nSpans - 1 : span;
    if (tCell > 1e-9 && span < nSpans - 1) next = (int)ceil((span + 1 - s0) / tCell - 1e-9);
    else if (tCell < -1e-9 && span > 0) next = (int)floor((span - s0) / tCell + 1e-9) + 1;
    if (next < x + 1) next = x + 1;
    if (next > end) next = end;
    runStart[nRuns] = rowStart + x;
    runEnd[nRuns] = rowStart + next;
    runSpan[nRuns] = span;
    runT[nRuns] = s - span;
    runV[nRuns++] = v0 + x * vCell;
    x = next;
  }
}

static void cover(double xMm, double yMm, double turn) {
  double c = cos(turn), s = sin(turn), spanMm = T.lengthMm / nSpans, halfW = T.widthMm / 2, cell = T.cellMm;
  double reach = fabs(T.lengthMm / 2 * s) + fabs(halfW * c);
  int from = (int)fmax(0, ceil((yMm - reach) / cell - 0.5)), to = (int)fmin(ny, floor((yMm + reach) / cell - 0.5) + 1);
  tCell = c * cell / spanMm, vCell = -s * cell / halfW, tRow = s * cell / spanMm, vRow = c * cell / halfW;
  double dx = 0.5 * cell - xMm, dy = 0.5 * cell - yMm;
  double s0 = (dx * c + dy * s) / spanMm + nSpans / 2., v0 = (-dx * s + dy * c) / halfW;
  nRuns = 0;
  for (int row = from; row < to; row++) {
    int low = 0, high = nx - 1;
    narrow(s0 + row * tRow, tCell, 0, nSpans, &low, &high);
    narrow(v0 + row * vRow, vCell, -1, 1, &low, &high);
    if (high >= low) cut(row * nx, s0 + row * tRow, v0 + row * vRow, low, high);
  }
}

static void unfold(const double *at) {
  for (int j = 0; j < nSpans; j++) {
    double a = at[j], b = at[j + 1];
    if (degree == 1) {
      poly[3 * j] = a, poly[3 * j + 1] = b - a;
      continue;
    }
    double c = at[j + 2];
    poly[3 * j] = (a + b) / 2, poly[3 * j + 1] = b - a, poly[3 * j + 2] = (a + c) / 2 - b;
  }
}

static void sumRun(int start, int end, double level, double slope) {
  double n = 0, k1 = 0, k2 = 0, d0 = 0, d1 = 0, dd = 0;
  for (int i = start, k = 0; i < end; i++, k++) {
    double d = top[i] - level - slope * k;
    if (d > 0) n += 1, k1 += k, k2 += (double)k * k, d0 += d, d1 += d * k, dd += d * d;
  }
  powers[0] = n, powers[1] = k1, powers[2] = k2, powers[5] = d0, powers[6] = d1, powers[8] = dd;
}

static void sumBentRun(int start, int end, double level, double slope, double bend) {
  double n = 0, k1 = 0, k2 = 0, k3 = 0, k4 = 0, d0 = 0, d1 = 0, d2 = 0, dd = 0;
  for (int i = start, k = 0; i < end; i++, k++) {
    double kk = (double)k * k, d = top[i] - level - slope * k - bend * kk;
    if (d > 0)
      n += 1, k1 += k, k2 += kk, k3 += kk * k, k4 += kk * kk, d0 += d, d1 += d * k, d2 += d * kk, dd += d * d;
  }
  powers[0] = n, powers[1] = k1, powers[2] = k2, powers[3] = k3, powers[4] = k4;
  powers[5] = d0, powers[6] = d1, powers[7] = d2, powers[8] = dd;
}

static void addRun(double *S, double t, double v) {
  double u = tCell, w = vCell, n = powers[0], k1 = powers[1], k2 = powers[2], d0 = powers[5], d1 = powers[6];
  double tt = t * t, uu = u * u, T1 = t * n + u * k1, T2 = tt * n + 2 * t * u * k1 + uu * k2;
  S[0] += n, S[1] += T1, S[2] += T2;
  S[PRESS] += d0, S[PRESS + 1] += t * d0 + u * d1;
  S[ACROSS] += v * n + w * k1, S[ACROSS + 1] += v * T1 + w * (t * k1 + u * k2);
  nTouching += (int)n, squared += powers[8];
  acrossSquared += v * v * n + 2 * v * w * k1 + w * w * k2, acrossPress += v * d0 + w * d1;
  if (degree == 1) return;
  double k3 = powers[3];
  S[3] += tt * t * n + 3 * tt * u * k1 + 3 * t * uu * k2 + uu * u * k3;
  S[4] += tt * tt * n + 4 * tt * t * u * k1 + 6 * tt * uu * k2 + 4 * t * uu * u * k3 + uu * uu * powers[4];
  S[PRESS + 2] += tt * d0 + 2 * t * u * d1 + uu * powers[7];
  S[ACROSS + 2] += v * T2 + w * (tt * k1 + 2 * t * u * k2 + uu * k3);
}

static double weigh(const double *at) {
  double tilt = at[size - 1], loaded = 0, bent = 0;
  unfold(at);
  memset(sums, 0, sizeof(double) * SUMS * nSpans);
  nTouching = 0, squared = acrossSquared = acrossPress = 0;
  for (int n = 0; n < nRuns; n++) {
    int j = runSpan[n];
    double t = runT[n], c1 = poly[3 * j + 1], c2 = poly[3 * j + 2];
    double level = poly[3 * j] + c1 * t + c2 * t * t + tilt * runV[n], slope = (c1 + 2 * c2 * t) * tCell + tilt * vCell;
    if (degree == 1) sumRun(runStart[n], runEnd[n], level, slope);
    else sumBentRun(runStart[n], runEnd[n], level, slope, c2 * tCell * tCell);
    if (powers[0] > 0) addRun(sums + j * SUMS, t, runV[n]);
  }
  for (int k = 0; k < size - 1; k++) loaded += load[k] * at[k];
  if (degree == 2)
    for (int j = 0; j < nSpans; j++) bent += pow(at[j] - 2 * at[j + 1] + at[j + 2], 2);
  return 0.5 * cellN * squared + T.forceN * loaded + 0.5 * bendN * bent;
}

static double summed(int i, const double *S) {
  double sum = 0;
  for (int p = 0; p <= degree; p++) sum += SHAPES[degree][i][p] * S[p];
  return sum;
}

static double imbalance(const double *at) {
  double sum = 0;
  for (int k = 0; k < size - 1; k++) step[k] = -T.forceN * load[k];
  for (int j = 0; j < nSpans; j++)
    for (int i = 0; i <= degree; i++) step[j + i] += cellN * summed(i, sums + j * SUMS + PRESS);
  step[size - 1] = cellN * acrossPress;
  if (degree == 2)
    for (int j = 0; j < nSpans; j++) {
      double force = bendN * (at[j] - 2 * at[j + 1] + at[j + 2]);
      step[j] -= force, step[j + 1] += 2 * force, step[j + 2] -= force;
    }
  for (int k = 0; k < size; k++) sum += fabs(step[k]);
  return sum;
}

static void fillMatrix(void) {
  int last = (size - 1) * size;
  memset(matrix, 0, sizeof(double) * size * size);
  for (int j = 0; j < nSpans; j++)
    for (int i = 0; i <= degree; i++) {
      matrix[last + j + i] += cellN * summed(i, sums + j * SUMS + ACROSS);
      for (int m = 0; m <= i; m++) {
        double sum = 0;
        for (int q = 0; q <= degree; q++) sum += SHAPES[degree][m][q] * summed(i, sums + j * SUMS + q);
        matrix[(j + i) * size + j + m] += cellN * sum;
      }
    }
  matrix[last + size - 1] = cellN * acrossSquared;
  if (degree == 2)
    for (int j = 0; j < nSpans; j++) {
      double *a = matrix + j * size + j, *b = a + size, *c = b + size;
      a[0] += bendN, b[0] -= 2 * bendN, b[1] += 4 * bendN, c[0] += bendN, c[1] -= 2 * bendN, c[2] += bendN;
    }
}

static void solve(void) {
  for (int i = 0; i < size; i++)
    for (int j = first[i]; j <= i; j++) {
      double value = matrix[i * size + j];
      for (int k = first[i] > first[j] ? first[i] : first[j]; k < j; k++)
        value -= matrix[i * size + k] * matrix[j * size + k];
      matrix[i * size + j] = j == i ? sqrt(fmax(value, 1e-12)) : value / matrix[j * size + j];
    }
  for (int i = 0; i < size; i++) {
    for (int k = first[i]; k < i; k++) step[i] -= matrix[i * size + k] * step[k];
    step[i] /= matrix[i * size + i];
  }
  for (int i = size - 1; i >= 0; i--) {
    step[i] /= matrix[i * size + i];
    for (int k = first[i]; k < i; k++) step[k] -= matrix[i * size + k] * step[i];
  }
}

static void newton(void) {
  if (nTouching == 0) {
    double nearest = INFINITY;
    unfold(rest);
    for (int n = 0; n < nRuns; n++)
      for (int i = runStart[n], k = 0; i < runEnd[n]; i++, k++) {
        const double *p = poly + 3 * runSpan[n];
        double t = runT[n] + k * tCell, v = runV[n] + k * vCell;
        nearest = fmin(nearest, p[0] + p[1] * t + p[2] * t * t + rest[size - 1] * v - top[i]);
      }
    for (int k = 0; k < size - 1; k++) step[k] = -nearest - T.forceN / (cellN * 50);
    step[size - 1] = 0;
    return;
  }
  fillMatrix();
  for (int k = 0; k < size; k++) matrix[k * size + k] += 1e-3 * cellN;
  solve();
}

static int settle(double x, double y, double turn) {
  cover(x, y, turn);
  if (nRuns == 0) return 0;
  double energy = weigh(rest);
  for (int n = 1; n <= MOST_STEPS; n++) {
    double off = imbalance(rest);
    if (off <= TOLERANCE * T.forceN) return n;
    newton();
    if (off <= T.nearShare * T.forceN) {
      for (int k = 0; k < size; k++) rest[k] += step[k];
      return n;
    }
    double share = 1;
    for (int halving = 0;; halving++) {
      for (int k = 0; k < size; k++) trial[k] = rest[k] + share * step[k];
      double next = weigh(trial);
      if (next <= energy + 1e-9 * fabs(energy) || halving >= MOST_HALVINGS) {
        energy = next;
        break;
      }
      share /= 2;
    }
    memcpy(rest, trial, sizeof(double) * size);
  }
  return nTouching > 0 ? MOST_STEPS : 0;
}

static void putDown(double x, double y, double turn) {
  float highest = -INFINITY;
  cover(x, y, turn);
  for (int n = 0; n < nRuns; n++)
    for (int i = runStart[n]; i < runEnd[n]; i++) highest = fmaxf(highest, top[i]);
  for (int k = 0; k < size; k++) rest[k] = isfinite(highest) ? highest : 0, drift[k] = 0;
  rest[size - 1] = 0;
}

static void follow(double dx, double dy) {
  double spans = (dx * tCell + dy * tRow) / T.cellMm, across = (dx * vCell + dy * vRow) / T.cellMm;
  int last = size - 2;
  for (int i = 0; i <= last; i++)
    if (degree == 1) guess[i] = rest[i] + spans * (rest[1] - rest[0]);
    else {
      int mid = i < 1 ? 1 : i > last - 1 ? last - 1 : i;
      double bend = rest[mid + 1] - 2 * rest[mid] + rest[mid - 1];
      double slope = (rest[mid + 1] - rest[mid - 1]) / 2 + (i - mid) * bend;
      guess[i] = rest[i] + spans * slope + spans * spans * bend / 2;
    }
  for (int i = 0; i <= last; i++) guess[i] += across * rest[size - 1];
  guess[size - 1] = rest[size - 1];
  for (int k = 0; k < size; k++) rest[k] = guess[k] + drift[k];
}

static void takeOff(double slidM) {
  double perUm = T.filmRate * T.padNPerMm3 * slidM, tilt = rest[size - 1];
  unfold(rest);
  for (int run = 0; run < nRuns; run++) {
    const double *p = poly + 3 * runSpan[run];
    double t = runT[run], v = runV[run];
    for (int i = runStart[run]; i < runEnd[run]; i++, t += tCell, v += vCell) {
      double d = top[i] - (p[0] + t * (p[1] + t * p[2]) + tilt * v), taken = 0;
      if (d <= 0) continue;
      double left = perUm * d, g = guide[i];
      if (g > 0) {
        taken = left < g ? left : g;
        guide[i] = (float)(g - taken);
        left -= taken;
      }
      if (left > 0) {
        double f = film[i], off = left < f ? left : f, under = (left - off) * T.underRatio;
        film[i] = (float)(f - off);
        taken += off + under;
        double old = scratch[i] - off - under;
        scratch[i] = (float)(old > T.scratchUm ? old : T.scratchUm);
      }
      top[i] = (float)(top[i] - taken);
    }
  }
}

static void stroke(Stroke s) {
  double way = hypot(s.toX - s.fromX, s.toY - s.fromY), lastX = s.fromX, lastY = s.fromY;
  putDown(s.fromX, s.fromY, s.turn);
  for (double done = T.stepMm; done <= way + 1e-9; done += T.stepMm) {
    double share = (done - T.stepMm / 2) / way;
    double x = s.fromX + share * (s.toX - s.fromX), y = s.fromY + share * (s.toY - s.fromY);
    follow(x - lastX, y - lastY);
    lastX = x, lastY = y;
    if (settle(x, y, s.turn) == 0) continue;
    for (int k = 0; k < size; k++) drift[k] = rest[k] - guess[k];
    nSettled++;
    takeOff(T.stepMm / 1000);
  }
}

static void *readMany(size_t n, size_t each) {
  void *into = calloc(n, each);
  if (!into || fread(into, each, n, stdin) != n) exit(1);
  return into;
}

int main(void) {
  T = *(Task *)readMany(1, sizeof T);
  nx = (int)T.nx, ny = (int)T.ny, nSpans = (int)T.nSpans, degree = (int)T.degree, size = nSpans + degree + 1;
  size_t nCells = (size_t)nx * ny, mostRuns = (size_t)ny * (nSpans + 1);
  top = readMany(nCells, 4), film = readMany(nCells, 4), guide = readMany(nCells, 4), scratch = calloc(nCells, 4);
  Stroke *strokes = readMany((size_t)T.nStrokes, sizeof(Stroke));
  runStart = calloc(mostRuns, sizeof(int)), runEnd = calloc(mostRuns, sizeof(int)), runSpan = calloc(mostRuns, sizeof(int));
  runT = calloc(mostRuns, sizeof(double)), runV = calloc(mostRuns, sizeof(double));
  for (int j = 0; j < nSpans; j++)
    for (int i = 0; i <= degree; i++) load[j + i] += LOADS[degree][i] / nSpans;
  for (int i = 0; i < size; i++) first[i] = i == size - 1 || i < degree ? 0 : i - degree;
  cellN = T.padNPerMm3 * T.cellMm * T.cellMm * 1e-3;
  bendN = degree == 1 ? 0 : 1e-3 * T.bendingNMm2 / pow(T.lengthMm / nSpans, 3);
  struct timespec from, to;
  clock_gettime(CLOCK_MONOTONIC, &from);
  for (int n = 0; n < (int)T.nStrokes; n++) stroke(strokes[n]);
  clock_gettime(CLOCK_MONOTONIC, &to);
  double left = 0;
  for (size_t i = 0; i < nCells; i++) left += film[i];
  printf("%.3f %d %.6f\n", (to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6, nSettled, left / nCells);
  return 0;
}
