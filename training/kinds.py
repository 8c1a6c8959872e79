#!/usr/bin/python3
"""Kinds of words: core/Language/en/vectors/kinds.bin, the general word vectors put into 100 and into 500 groups of what is alike (k-means).

Needs the Debian package python3-numpy. Run: /usr/bin/python3 training/kinds.py (after training/vectors.py; half a minute)
kinds.bin holds two numbers of two bytes a word, in the order of words.bin; kinds.json what they were made from.
"""
import hashlib, json, os
import numpy as np

OUT = os.path.join(os.path.dirname(os.path.dirname(os.path.abspath(__file__))), 'core/Language/en/vectors')
GROUPS, ROUNDS = (100, 500), 25
rows = open(f'{OUT}/rows.bin', 'rb').read()
V = np.frombuffer(rows, np.int8).reshape(-1, 100).astype(np.float32)
V /= np.linalg.norm(V, axis=1, keepdims=True) + 1e-9
kinds = []
for groups in GROUPS:
    rng = np.random.default_rng(7)
    centre = V[rng.choice(len(V), groups, replace=False)]
    for _ in range(ROUNDS):
        of = np.concatenate([(V[n:n + 5000] @ centre.T).argmax(1) for n in range(0, len(V), 5000)])
        centre = np.zeros_like(centre)
        np.add.at(centre, of, V)
        centre /= np.linalg.norm(centre, axis=1, keepdims=True) + 1e-9
    kinds.append(of.astype('>u2'))
data = np.stack(kinds, 1).tobytes()
open(f'{OUT}/kinds.bin', 'wb').write(data)
json.dump({'groups': GROUPS, 'rows_sha256': hashlib.sha256(rows).hexdigest(), 'kinds_sha256': hashlib.sha256(data).hexdigest(), 'command': '/usr/bin/python3 training/kinds.py'}, open(f'{OUT}/kinds.json', 'w'), indent=1)
