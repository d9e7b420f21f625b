# SPDX-License-Identifier: MIT
# run in the project's root with FL naming the program: FL=build/program/src/fond-ladder python3 tests/found/preview_replaced.py
import os, tempfile
import subprocess, socket, time, re, signal, os, json, threading
F=os.environ['FL']; P=18931
TXT=open('examples/quickstart.scene.json').read(); NEW=TXT.replace('North house','South house')
os.makedirs('wd',exist_ok=True); os.chdir('wd'); open('a.scene.json','w').write(TXT); open('other.json','w').write('not a scene'); open('other.scene.json','w').write(TXT)
p=subprocess.Popen([F,'preview','a.scene.json','--write','--port',str(P)],stdout=subprocess.PIPE,stderr=subprocess.DEVNULL); p.stdout.readline()
def ask(m,path,h={},b=b''):
    s=socket.create_connection(('127.0.0.1',P),timeout=10); h=dict({'Host':'127.0.0.1:%d'%P,'Connection':'close'},**h)
    if b or m=='POST': h['Content-Length']=len(b)
    s.sendall((f'{m} {path} HTTP/1.1\r\n'+''.join(f'{k}: {v}\r\n' for k,v in h.items())+'\r\n').encode()+b); r=b''
    while True:
        x=s.recv(65536)
        if not x: break
        r+=x
    s.close(); return r
def ver():
    s=socket.create_connection(('127.0.0.1',P)); s.sendall(b'GET /changes HTTP/1.1\r\nHost: 127.0.0.1:%d\r\n\r\n'%P); time.sleep(.3); r=s.recv(4000); s.close(); return re.findall(rb'data: (\d+)',r)[-1].decode()
def post(b,v=None):
    r=ask('POST','/scene',{'Origin':'http://127.0.0.1:%d'%P,'X-Made-From':v or ver()},b.encode()); return r.split(b'\r\n')[0].decode()[9:]+' '+r.split(b'\r\n\r\n')[1][:120].decode()
print('two writers same version:'); v=ver(); res=[]
ts=[threading.Thread(target=lambda i=i: res.append(post(TXT.replace('North house','W%d'%i),v)[:12])) for i in range(8)]; [t.start() for t in ts]; [t.join() for t in ts]; print(sorted(res))
open('a.scene.json','w').write(TXT); time.sleep(.5)
os.remove('a.scene.json'); os.symlink('other.scene.json','a.scene.json'); time.sleep(.4); print('replaced by a link to another scene:',post(NEW),'| link kept',os.path.islink('a.scene.json'),'other changed',open('other.scene.json').read()==NEW)
os.remove('a.scene.json'); open('plain.txt','w').write('vm\n'); os.symlink('plain.txt','a.scene.json'); time.sleep(.4); r=ask('GET','/scene'); print('link to a plain file GET /scene:',r.split(b'\r\n')[0],r.split(b'\r\n\r\n')[1][:80],'| POST',post(NEW))
os.remove('a.scene.json'); os.mkfifo('a.scene.json'); time.sleep(.5); t=time.time()
try: r=ask('GET','/scene'); print('FIFO: GET /scene',r.split(b'\r\n')[0],'%.1f s'%(time.time()-t), r.split(b'\r\n\r\n')[1][:60])
except Exception as e: print('FIFO GET',repr(e))
os.remove('a.scene.json'); open('a.scene.json','w').write(NEW); time.sleep(1); r=ask('GET','/scene'); print('after the FIFO is gone it follows again:', b'South' in r)
try: print('POST after the FIFO',post(TXT))
except Exception as e: print('POST',repr(e))
t=time.time(); p.send_signal(signal.SIGINT); 
try: print('exit',p.wait(5))
except Exception: print('does not end at Ctrl-C'); p.kill()
