/** Beyond this a telephone shows no more of it. */
const SIDE = 1200;
const BYTES = 300_000;

/** A picture is made small here, before it is sent; what a camera wrote into it stays behind. */
export default () => ({
  async chosen(event) {
    const input = event.currentTarget;
    const file = input.files[0];
    if (!file || file.type === 'image/gif') return;
    const picture = await createImageBitmap(file).catch(() => null);
    if (!picture) return;
    const scale = Math.min(1, SIDE / Math.max(picture.width, picture.height));
    if (scale === 1 && file.size <= BYTES) return;
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    const drawing = canvas.getContext('2d');
    // Where it was clear, paper shows.
    drawing.fillStyle = 'white';
    drawing.fillRect(0, 0, canvas.width, canvas.height);
    drawing.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const small = await new Promise((done) => canvas.toBlob(done, 'image/jpeg', 0.82));
    if (!small) return;
    const files = new DataTransfer();
    files.items.add(new File([small], file.name.replace(/\.\w+$/, '.jpg'), { type: 'image/jpeg' }));
    input.files = files.files;
  },
});
