/** A call that the page before placed is taken up on the handset. */
export function placed() {
    const call = document.querySelector('[data-placed]')?.dataset.placed;
    const handset = document.getElementById('handset');
    if (call && handset) {
        sessionStorage.setItem(`ringo.handset.${handset.dataset.business}`, call);
    }
}
