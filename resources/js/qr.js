/** A link as a QR code (ISO/IEC 18004), drawn when it is opened; and as a file to be printed. */
export default () => ({
  async draw() {
    const box = this.$refs.code;
    if (box.childElementCount > 0) return;
    const { qrcode } = await import('qrcode-generator');
    const code = qrcode(0, 'M');
    code.addData(this.$root.dataset.text);
    code.make();
    const count = code.getModuleCount();
    // Four modules of white around it, as readers expect.
    let path = '';
    for (let y = 0; y < count; y++)
      for (let x = 0; x < count; x++) if (code.isDark(y, x)) path += `M${x + 4} ${y + 4}h1v1h-1z`;
    const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
    svg.setAttribute('viewBox', `0 0 ${count + 8} ${count + 8}`);
    svg.setAttribute('role', 'img');
    svg.setAttribute('aria-label', this.$root.dataset.says);
    svg.setAttribute('shape-rendering', 'crispEdges');
    svg.innerHTML = `<path fill="#fff" d="M0 0h${count + 8}v${count + 8}H0z"/><path fill="#000" d="${path}"/>`;
    box.append(svg);
    const file = new Blob([new XMLSerializer().serializeToString(svg)], { type: 'image/svg+xml' });
    this.$refs.file.href = URL.createObjectURL(file);
    this.$refs.file.hidden = false;
  },
});
