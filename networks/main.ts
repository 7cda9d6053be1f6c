version https://git-lfs.github.com/spec/v1
oid sha256:307c34fd1c11adea987e582a79fb8f957df55e37e51d5d1198e654873e9e6b44
size 8620968
