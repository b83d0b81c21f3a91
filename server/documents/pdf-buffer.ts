import PDFDocument from 'pdfkit';

/** Draws a PDF and returns its bytes. Sizes in points. */
export function pdfBuffer(
  size: [number, number],
  info: { Title: string },
  draw: (pdf: PDFKit.PDFDocument, addPage: () => void) => void,
): Promise<Buffer> {
  return new Promise((done, failed) => {
    const pdf = new PDFDocument({ size, margin: 0, autoFirstPage: true, info });
    const parts: Buffer[] = [];
    pdf.on('data', (part: Buffer) => parts.push(part));
    pdf.on('end', () => done(Buffer.concat(parts)));
    pdf.on('error', failed);
    draw(pdf, () => void pdf.addPage({ size, margin: 0 }));
    pdf.end();
  });
}
