#!/usr/bin/python3
"""Mean curvature of a solid smoothed by a Gaussian, at the middle of every triangle of an STL: an independent computation.

usage: solid.py FILE.stl VOXEL_MM SIGMA_MM  ->  float32 per triangle on standard output, per mm, positive on ridges
"""
import sys
import numpy as np
from scipy.ndimage import gaussian_filter, map_coordinates

path, voxel, sigma = sys.argv[1], float(sys.argv[2]), float(sys.argv[3])
data = open(path, 'rb').read()
count = int.from_bytes(data[80:84], 'little')
record = np.dtype([('n', '<f4', 3), ('v', '<f4', (3, 3)), ('a', '<u2')])
v = np.frombuffer(data, dtype=record, offset=84, count=count)['v'].astype(np.float64)
low = v.reshape(-1, 3).min(0) - 6 * sigma
high = v.reshape(-1, 3).max(0) + 6 * sigma
shape = np.ceil((high - low) / voxel).astype(int) + 1
p = (v - low) / voxel
# Columns along z through the middle of every pixel: where a triangle is crossed, inside turns to outside.
turns = np.zeros((shape[0], shape[1], shape[2] + 1), dtype=np.int8)
eps = 1e-7
p[:, :, 0] += eps
p[:, :, 1] += 2 * eps
for a, b, c in p:
    x0, x1 = int(np.ceil(min(a[0], b[0], c[0]))), int(np.floor(max(a[0], b[0], c[0])))
    y0, y1 = int(np.ceil(min(a[1], b[1], c[1]))), int(np.floor(max(a[1], b[1], c[1])))
    if x0 > x1 or y0 > y1:
        continue
    d = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])
    if d == 0.0:
        continue
    for x in range(x0, x1 + 1):
        for y in range(y0, y1 + 1):
            s = ((x - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (y - a[1])) / d
            t = ((b[0] - a[0]) * (y - a[1]) - (x - a[0]) * (b[1] - a[1])) / d
            if s >= 0 and t >= 0 and s + t <= 1:
                z = int(np.ceil(a[2] + s * (b[2] - a[2]) + t * (c[2] - a[2])))
                turns[x, y, z] += 1 if d < 0 else -1
solid = (np.cumsum(turns[:, :, :-1], axis=2) > 0).astype(np.float32)
f = gaussian_filter(solid, sigma / voxel)
del solid, turns
g = np.gradient(f, voxel)
length = np.sqrt(g[0] ** 2 + g[1] ** 2 + g[2] ** 2) + 1e-6
h = -(np.gradient(g[0] / length, voxel, axis=0) + np.gradient(g[1] / length, voxel, axis=1) + np.gradient(g[2] / length, voxel, axis=2)) / 2
middles = p.mean(axis=1).T
sys.stdout.buffer.write(map_coordinates(h, middles, order=1).astype('<f4').tobytes())
