/* Mixes stems frame by frame and sums, in every band, the products that training needs: see mix.py for their meaning.
   In C because the same in array operations makes a clip ten times dearer than its share of the network's step. */
#include <string.h>

enum { MOST_STEMS = 8, MOST = 4096 };

static void gathered(const float *row, const int *edges, int bands, float *out)
{
    for (int b = 0; b < bands; ++b) {
        float sum = 0;
        for (int k = edges[b]; k < edges[b + 1]; ++k)
            sum += row[k];
        out[b] = sum;
    }
}

/* z[c * stems + s]     stem s in mid (c = 0) or side, [frames][real, imaginary][bins] in half precision, or NULL where it is silent
   gain[c * stems + s]  [bins]
   xx [2][frames][bands]  cross [2][frames][bands]  xs [stems][2][frames][bands]  ss [stems][2][frames][bands], zeroed before;
   joined: ss has one more row for the first two stems together */
void products(int frames, int bins, int bands, int stems, int joined, const int *edges, const _Float16 *const *z, const float *const *gain,
              float *xx, float *cross, float *xs, float *ss)
{
    static float part[MOST_STEMS][2][MOST], whole[2][2][MOST], row[MOST];
    const size_t plane = (size_t)frames * bands;
    for (int t = 0; t < frames; ++t) {
        for (int c = 0; c < 2; ++c) {
            float *xr = whole[c][0], *xi = whole[c][1];
            memset(whole[c], 0, sizeof whole[c]);
            for (int s = 0; s < stems; ++s) {
                if (!z[c * stems + s])
                    continue;
                const _Float16 *re = z[c * stems + s] + (size_t)t * 2 * bins, *im = re + bins;
                const float *g = gain[c * stems + s];
                float *pr = part[s][0], *pi = part[s][1];
                for (int k = 0; k < bins; ++k) {
                    pr[k] = g[k] * (float)re[k];
                    pi[k] = g[k] * (float)im[k];
                    xr[k] += pr[k];
                    xi[k] += pi[k];
                }
            }
            const size_t at = c * plane + (size_t)t * bands;
            for (int k = 0; k < bins; ++k)
                row[k] = xr[k] * xr[k] + xi[k] * xi[k];
            gathered(row, edges, bands, xx + at);
            for (int s = 0; s < stems; ++s) {
                if (!z[c * stems + s])
                    continue;
                const float *pr = part[s][0], *pi = part[s][1];
                for (int k = 0; k < bins; ++k)
                    row[k] = xr[k] * pr[k] + xi[k] * pi[k];
                gathered(row, edges, bands, xs + 2 * s * plane + at);
                for (int k = 0; k < bins; ++k)
                    row[k] = pr[k] * pr[k] + pi[k] * pi[k];
                gathered(row, edges, bands, ss + 2 * s * plane + at);
            }
            if (!joined)
                continue;
            if (z[c * stems] && z[c * stems + 1]) { /* the whole voice: dialogue and its room */
                for (int k = 0; k < bins; ++k) {
                    const float re = part[0][0][k] + part[1][0][k], im = part[0][1][k] + part[1][1][k];
                    row[k] = re * re + im * im;
                }
                gathered(row, edges, bands, ss + 2 * stems * plane + at);
            } else if (z[c * stems]) {
                memcpy(ss + 2 * stems * plane + at, ss + at, bands * sizeof(float));
            } else if (z[c * stems + 1]) {
                memcpy(ss + 2 * stems * plane + at, ss + 2 * plane + at, bands * sizeof(float));
            }
        }
        const float *mr = whole[0][0], *mi = whole[0][1], *sr = whole[1][0], *si = whole[1][1];
        for (int k = 0; k < bins; ++k)
            row[k] = mr[k] * sr[k] + mi[k] * si[k];
        gathered(row, edges, bands, cross + (size_t)t * bands);
        for (int k = 0; k < bins; ++k)
            row[k] = mi[k] * sr[k] - mr[k] * si[k];
        gathered(row, edges, bands, cross + plane + (size_t)t * bands);
    }
}
