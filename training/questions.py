#!/usr/bin/python3
"""Trains what kind of thing answers a question: core/Language/en/questions/, a softmax over hashed features, from data/corpora/questions.tsv.

Needs the Debian packages python3-numpy and python3-torch.
Run: php training/question_tokens.php > questions.jsonl; /usr/bin/python3 training/questions.py questions.jsonl (a minute)
The figure comes from five folds by question; the weights that are kept saw all of them.
"""
import hashlib, json, os, sys, zlib
import numpy as np, torch

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
OUT = f'{ROOT}/core/Language/en/questions'
PLACES, LENGTH, C, EPOCHS = 65536, 4.0, 4.0, 60
torch.manual_seed(7); np.random.seed(7); torch.set_num_threads(1)
rows = [json.loads(line) for line in open(sys.argv[1])]
kinds = sorted({r['type'] for r in rows})
truth = torch.tensor([kinds.index(r['type']) for r in rows])
fold = np.array([zlib.crc32(r['said'].encode()) % 5 for r in rows])

def bag(at):
    feats = [rows[i]['features'] for i in at]
    return torch.tensor([p for f in feats for p in f]), torch.tensor(np.cumsum([0] + [len(f) for f in feats[:-1]])), torch.tensor([LENGTH / len(f) ** .5 for f in feats for _ in f])

def fit(at):
    layer = torch.nn.EmbeddingBag(PLACES, len(kinds), mode='sum'); torch.nn.init.zeros_(layer.weight)
    bias = torch.nn.Parameter(torch.zeros(len(kinds)))
    optimiser = torch.optim.Adam([layer.weight, bias], lr=.02)
    ids, offsets, weights = bag(at)
    for epoch in range(EPOCHS):
        loss = torch.nn.functional.cross_entropy(layer(ids, offsets, per_sample_weights=weights) + bias, truth[at], reduction='sum') / len(at) + (layer.weight ** 2).sum() / (2 * C * len(at))
        optimiser.zero_grad(); loss.backward(); optimiser.step()
    return layer, bias

def scores(model, at):
    with torch.no_grad():
        ids, offsets, weights = bag(at)
        return (model[0](ids, offsets, per_sample_weights=weights) + model[1]).numpy()

right = 0
for f in range(5):
    at = np.where(fold == f)[0]
    right += (scores(fit(np.where(fold != f)[0]), at).argmax(1) == truth[at].numpy()).sum()
print('right of those left out', right / len(rows))
layer, bias = fit(np.arange(len(rows)))
W = layer.weight.detach().numpy(); unit = float(np.abs(W).max() / 127)
q = np.clip(np.round(W / unit), -127, 127).astype(np.int8)
os.makedirs(OUT, exist_ok=True)
open(f'{OUT}/weights.bin', 'wb').write(q.tobytes())
layer.weight.data = torch.tensor(q.astype(np.float32) * unit)
sha = lambda path: hashlib.sha256(open(path, 'rb').read()).hexdigest()
json.dump({'kinds': kinds, 'unit': unit, 'bias': [float(x) for x in bias.detach()], 'questions': len(rows), 'right_left_out': round(float(right / len(rows)), 3), 'corpus_sha256': sha(f'{ROOT}/data/corpora/questions.tsv'), 'weights_sha256': sha(f'{OUT}/weights.bin'), 'command': 'php training/question_tokens.php > questions.jsonl; /usr/bin/python3 training/questions.py questions.jsonl'}, open(f'{OUT}/questions.json', 'w'), indent=1)
at = np.arange(0, len(rows), len(rows) // 30)
sample = torch.softmax(torch.tensor(scores((layer, bias), at)), 1).numpy()
json.dump([{'said': rows[i]['said'], 'of': [round(float(x), 5) for x in sample[k]]} for k, i in enumerate(at)], open(f'{ROOT}/tests/Core/Knowledge/wanted.json', 'w'))
