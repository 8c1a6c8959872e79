#!/usr/bin/python3
"""Trains what replies mean, yes, no or neither, given the question: core/Language/en/yes_no_meant/, from data/corpora/yes_no.jsonl.

Run: php training/yes_no_tokens.php > yes_no.jsonl; /usr/bin/python3 training/yes_no.py yes_no.jsonl
Figures come from five folds by question; the weights that are kept never saw the questions of the first fold.
"""
import hashlib, json, os, sys, zlib
import numpy as np, torch

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
OUT = f'{ROOT}/core/Language/en/yes_no_meant'
PLACES, LENGTH, C = 16384, 4.0, 1.5
torch.manual_seed(7); torch.set_num_threads(1); np.random.seed(7)
rows = [json.loads(line) for line in open(sys.argv[1])]
Y = torch.tensor([r['side'] for r in rows])
fold = np.array([zlib.crc32(r['question'].encode()) % 5 for r in rows])

def bag(at):
    feats = [rows[i]['features'] for i in at]
    return torch.tensor([p for f in feats for p in f]), torch.tensor(np.cumsum([0] + [len(f) for f in feats[:-1]])), torch.tensor([LENGTH / len(f) ** .5 for f in feats for _ in f])

def fit(at, epochs=30):
    layer = torch.nn.EmbeddingBag(PLACES, 3, mode='sum'); torch.nn.init.zeros_(layer.weight)
    bias = torch.nn.Parameter(torch.zeros(3))
    optimiser = torch.optim.Adam([layer.weight, bias], lr=.02)
    at = np.array(at)
    for epoch in range(epochs):
        for group in optimiser.param_groups: group['lr'] = .02 * (1 - epoch / epochs)
        np.random.shuffle(at)
        for n in range(0, len(at), 256):
            part = at[n:n + 256]
            ids, offsets, weights = bag(part)
            loss = torch.nn.functional.cross_entropy(layer(ids, offsets, per_sample_weights=weights) + bias, Y[part]) + (layer.weight ** 2).sum() / (2 * C * len(rows))
            optimiser.zero_grad(); loss.backward(); optimiser.step()
    return layer, bias

def scores(model, at):
    layer, bias = model
    with torch.no_grad():
        ids, offsets, weights = bag(at)
        return torch.softmax(layer(ids, offsets, per_sample_weights=weights) + bias, 1).numpy()

P = np.zeros((len(rows), 3), np.float32)
for f in range(5):
    model = fit(np.where(fold != f)[0])
    at = np.where(fold == f)[0]
    P[at] = scores(model, at)
    if f == 0: kept = model
y = Y.numpy(); read = np.array([2 if r['read'] is None else (0 if r['read'] else 1) for r in rows])
right = float(np.mean(P.argmax(1) == y))
print('right of three', right, 'reader alone right of those it commits to', np.mean(y[read < 2] == read[read < 2]), 'commits', np.mean(read < 2))
figures = {'right_of_three': round(right, 3)}
both = [(t, float(np.mean(y[(read < 2) & (P[np.arange(len(y)), np.minimum(read, 1)] >= t)] == read[(read < 2) & (P[np.arange(len(y)), np.minimum(read, 1)] >= t)])), float(np.mean(((read < 2) & (P[np.arange(len(y)), np.minimum(read, 1)] >= t))[y < 2]))) for t in (.3, .4, .5, .6, .7, .8, .9)]
for row in both: print('reader and model agree from %.1f: right %.3f of those committed to, commits to %.3f of those that mean one' % row)
side = P[:, :2].argmax(1); sure = P[:, :2].max(1)
for t in (.5, .6, .7, .8, .9, .95): print('model alone from %.2f: right %.3f, commits %.3f' % (t, np.mean((side == y)[sure >= t]), np.mean((sure >= t)[y < 2])))
for t in (.5, .6, .7, .8): print('neither from %.1f: right %.3f finds %.3f' % (t, np.mean((y == 2)[P[:, 2] >= t]), np.mean((P[:, 2] >= t)[y == 2])))
figures['agreeing'] = [{'from': t, 'right': round(a, 3), 'commits': round(b, 3)} for t, a, b in both]
layer, bias = kept
W = layer.weight.detach().numpy(); unit = float(np.abs(W).max() / 127)
q = np.clip(np.round(W / unit), -127, 127).astype(np.int8)
os.makedirs(OUT, exist_ok=True)
open(f'{OUT}/weights.bin', 'wb').write(q.tobytes())
layer.weight.data = torch.tensor(q.astype(np.float32) * unit)
at = np.where(fold == 0)[0]
held = scores((layer, bias), at)
sha = lambda path: hashlib.sha256(open(path, 'rb').read()).hexdigest()
json.dump({'unit': unit, 'bias': [float(x) for x in bias.detach()], 'figures': figures, 'corpus_sha256': sha(f'{ROOT}/data/corpora/yes_no.jsonl'), 'weights_sha256': sha(f'{OUT}/weights.bin'),
    'trained_on': 'data/corpora/yes_no.jsonl, one question in five left out (crc32 of the question, remainder 0 of 5); figures from five folds by question', 'command': 'php training/yes_no_tokens.php > yes_no.jsonl; /usr/bin/python3 training/yes_no.py yes_no.jsonl'}, open(f'{OUT}/yes_no.json', 'w'), indent=1)
source = [json.loads(line) for line in open(f'{ROOT}/data/corpora/yes_no.jsonl')]
json.dump([{'said': source[i]['said'], 'question': source[i]['question'], 'read': rows[i]['read'], 'of': [round(float(x), 5) for x in held[k]]} for k, i in list(enumerate(at))[:40]], open(f'{ROOT}/tests/Core/Understanding/YesNo/sample.json', 'w'))
