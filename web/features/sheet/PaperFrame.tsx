import { useEffect, useState, type Ref } from 'react';

/** As wide as a page of paper and what lies around it, in CSS pixels. */
const paper = 840;

/** A page of paper from the server, drawn as wide as there is room and as high as it is, so that only the page around it scrolls. */
export function PaperFrame({ src, title, frame }: { src: string; title: string; frame: Ref<HTMLIFrameElement> }) {
  const [room, setRoom] = useState<HTMLDivElement | null>(null);
  const [width, setWidth] = useState(paper);
  const [height, setHeight] = useState(0);
  const [loaded, setLoaded] = useState('');
  useEffect(() => {
    if (room === null) return;
    const watch = new ResizeObserver(() => {
      setWidth(room.clientWidth);
    });
    watch.observe(room);
    return () => {
      watch.disconnect();
    };
  }, [room]);
  const scale = Math.min(1, width / paper);
  const drawn = loaded === src ? height : 0;
  return (
    <div ref={setRoom} className="overflow-hidden rounded-md border border-line" style={{ minHeight: '50vh' }}>
      {loaded !== src && (
        <p role="status" className="p-3 text-faint">
          Drawing the sheet …
        </p>
      )}
      <div style={{ height: drawn * scale }}>
        <iframe
          ref={frame}
          title={title}
          src={src}
          onLoad={(event) => {
            setHeight(event.currentTarget.contentDocument?.documentElement.scrollHeight ?? 0);
            setLoaded(src);
          }}
          className="block bg-white"
          style={{ width: Math.max(paper, width), height: drawn, transform: `scale(${scale})`, transformOrigin: '0 0' }}
        />
      </div>
    </div>
  );
}
