#!/usr/bin/python3
"""Trains what callers do with words: core/Language/en/acts/, one logistic regression an act, from data/corpora/acts.jsonl.

Run: php training/act_tokens.php > acts.jsonl; /usr/bin/python3 training/acts.py acts.jsonl
Thresholds and figures come from five folds by trade; the weights that are kept never saw the trades of Ringo\\Fit\\Fold.
"""
import hashlib, json, os, sys, zlib
import numpy as np, torch

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
OUT = f'{ROOT}/core/Language/en/acts'
PLACES, LENGTH, C, PRECISION, LEAST = 65536, 4.0, 4.0, .9, 8
torch.manual_seed(7); torch.set_num_threads(1)
rows = [json.loads(line) for line in open(sys.argv[1])]
acts = sorted({a for r in rows for a in r['acts']})
Y = torch.tensor([[float(a in r['acts']) for a in acts] for r in rows])
fold = np.array([zlib.crc32(r['trade'].encode()) % 5 for r in rows])
assert all((f == 0) == r['held'] for f, r in zip(fold, rows))

def bag(at):
    feats = [rows[i]['features'] for i in at]
    return torch.tensor([p for f in feats for p in f]), torch.tensor(np.cumsum([0] + [len(f) for f in feats[:-1]])), torch.tensor([LENGTH / len(f) ** .5 for f in feats for _ in f])

def fit(at, epochs=40):
    layer = torch.nn.EmbeddingBag(PLACES, len(acts), mode='sum'); torch.nn.init.zeros_(layer.weight)
    bias = torch.nn.Parameter(torch.full((len(acts),), -3.))
    optimiser = torch.optim.Adam([layer.weight, bias], lr=.02)
    at = np.array(at)
    for epoch in range(epochs):
        for group in optimiser.param_groups: group['lr'] = .02 * (1 - epoch / epochs)
        np.random.shuffle(at)
        for n in range(0, len(at), 256):
            part = at[n:n + 256]
            ids, offsets, weights = bag(part)
            loss = torch.nn.functional.binary_cross_entropy_with_logits(layer(ids, offsets, per_sample_weights=weights) + bias, Y[part], reduction='sum') / len(part) + (layer.weight ** 2).sum() / (2 * C * len(rows))
            optimiser.zero_grad(); loss.backward(); optimiser.step()
    return layer, bias

def scores(model, at):
    layer, bias = model
    with torch.no_grad():
        ids, offsets, weights = bag(at)
        return torch.sigmoid(layer(ids, offsets, per_sample_weights=weights) + bias).numpy()

P = np.zeros((len(rows), len(acts)), np.float32)
kept = None
for f in range(5):
    model = fit(np.where(fold != f)[0])
    at = np.where(fold == f)[0]
    P[at] = scores(model, at)
    if f == 0: kept = model
    print('fold', f, flush=True)
truth = Y.numpy() > .5
figures, sure = {}, {}
for n, act in enumerate(acts):
    best = max(((2 * (truth[:, n] & (P[:, n] >= t)).sum() / max(1, truth[:, n].sum() + (P[:, n] >= t).sum()), t) for t in np.arange(.05, .95, .05)))
    order = np.argsort(-P[:, n]); hits = np.cumsum(truth[order, n]); precision = hits / np.arange(1, len(order) + 1)
    places = [i for i in range(LEAST - 1, len(order)) if precision[i] >= PRECISION]
    found = float(hits[places[-1]] / truth[:, n].sum()) if places else 0.
    if places: sure[act] = round(float(P[order[places[-1]], n]), 4)
    figures[act] = {'lines': int(truth[:, n].sum()), 'f1': round(float(best[0]), 3), 'found_at_90': round(found, 3)}
macro = float(np.mean([x['f1'] for x in figures.values()]))
top = float(np.mean(truth[np.arange(len(rows)), P.argmax(1)]))
print('macro F1', macro, 'top act right', top); print(json.dumps(figures, indent=0))
layer, bias = kept
W = layer.weight.detach().numpy(); unit = float(np.abs(W).max() / 127)
q = np.clip(np.round(W / unit), -127, 127).astype(np.int8)
os.makedirs(OUT, exist_ok=True)
open(f'{OUT}/weights.bin', 'wb').write(q.tobytes())
layer.weight.data = torch.tensor(q.astype(np.float32) * unit)
at = np.where(fold == 0)[0]
held = scores((layer, bias), at)
sha = lambda path: hashlib.sha256(open(path, 'rb').read()).hexdigest()
json.dump({'acts': acts, 'unit': unit, 'bias': [float(x) for x in bias.detach()], 'sure': sure, 'macro_f1': round(macro, 3), 'top_act_right': round(top, 3), 'held_out_top_right': round(float(np.mean(truth[at, held.argmax(1)])), 3), 'by_act': figures, 'corpus_sha256': sha(f'{ROOT}/data/corpora/acts.jsonl'), 'weights_sha256': sha(f'{OUT}/weights.bin'),
    'trained_on': 'data/corpora/acts.jsonl, one trade in five left out (Ringo\\Fit\\Fold); sure, f1 and found_at_90 from five folds by trade', 'command': 'php training/act_tokens.php > acts.jsonl; /usr/bin/python3 training/acts.py acts.jsonl'}, open(f'{OUT}/acts.json', 'w'), indent=1)
source = [json.loads(line) for line in open(f'{ROOT}/data/corpora/acts.jsonl')]
json.dump([{'said': source[i]['said'], 'asked': source[i]['asked'], 'type': source[i]['type'], 'of': [round(float(x), 5) for x in held[k]]} for k, i in list(enumerate(at))[:40]], open(f'{ROOT}/tests/Core/Understanding/Acts/sample.json', 'w'))
